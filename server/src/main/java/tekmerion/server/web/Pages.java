package tekmerion.server.web;

import java.util.List;

/** Addresses of the page's own views: the one page answers them, and anybody may load it. */
public final class Pages {
  public static final List<String> ADDRESSES =
      List.of(
          "/",
          "/index.html",
          "/sign-in",
          "/wall",
          "/me",
          "/people",
          "/makers",
          "/know-how",
          "/know-how/**",
          "/stock",
          "/prices",
          "/records",
          "/intake",
          "/intake/**",
          "/join",
          "/join/**",
          "/ca",
          "/stick",
          "/job/**",
          "/reading/**",
          "/drive/**",
          "/rescue/**",
          "/memory/**",
          "/battery/**",
          "/work/**",
          "/isolate/**",
          "/part/**",
          "/customer/**");

  private Pages() {}
}
