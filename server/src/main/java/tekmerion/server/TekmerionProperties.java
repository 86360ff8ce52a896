package tekmerion.server;

import java.nio.file.Path;
import java.time.DayOfWeek;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Set;
import org.springframework.boot.context.properties.ConfigurationProperties;

/**
 * @param appUser database user the server works as
 * @param demo whether simulated machines may be read; the demo's module then makes its shop
 * @param files folder for photos
 * @param sealKey key that owners' passwords are sealed with, 32 bytes in base 64; not in the
 *     database
 * @param authority certificate of the shop's own authority, as PEM; null or empty for none
 * @param certificate with which a proxy in front is reached over TLS, as PEM; null or empty where
 *     the server speaks TLS itself, or nobody does
 * @param trustedProxies addresses of proxies whose word on where a request comes from is believed;
 *     null or empty for none
 * @param shop when and where people work
 */
@ConfigurationProperties("tekmerion")
public record TekmerionProperties(
    String appUser,
    boolean demo,
    Path files,
    String sealKey,
    Path authority,
    Path certificate,
    Set<String> trustedProxies,
    Shop shop) {

  /**
   * @param days open days
   */
  public record Shop(
      String name, ZoneId zone, Set<DayOfWeek> days, LocalTime opens, LocalTime closes) {}
}
