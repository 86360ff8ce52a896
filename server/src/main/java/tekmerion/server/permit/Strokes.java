package tekmerion.server.permit;

import java.util.regex.Pattern;

/** A signature that was drawn, as an SVG's path of M and L in a field of 600 by 160. */
public final class Strokes {
  private static final Pattern PATH = Pattern.compile("(?:[ML]\\d{1,3} \\d{1,3} ?){2,4000}");

  private Strokes() {}

  public static boolean isPath(String strokes) {
    return PATH.matcher(strokes).matches();
  }
}
