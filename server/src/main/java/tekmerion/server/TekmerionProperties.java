package tekmerion.server;

import java.nio.file.Path;
import java.time.DayOfWeek;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Set;
import org.springframework.boot.context.properties.ConfigurationProperties;

/**
 * @param appUser database user the server works as
 * @param demo whether to make the demo shop on an empty database
 * @param demoPassword of the demo accounts; made by the launcher, never shipped
 * @param demoHistory file of past jobs that the simulation wrote; null for none
 * @param demoLarge whether to fill an empty demo shop with 100,000 jobs
 * @param files folder for photos
 * @param sealKey key that owners' passwords are sealed with, 32 bytes in base 64; not in the
 *     database
 * @param trustedProxies addresses of proxies whose word on where a request comes from is believed;
 *     null or empty for none
 * @param shop when and where people work
 */
@ConfigurationProperties("tekmerion")
public record TekmerionProperties(
    String appUser,
    boolean demo,
    String demoPassword,
    Path demoHistory,
    boolean demoLarge,
    Path files,
    String sealKey,
    Set<String> trustedProxies,
    Shop shop) {

  /**
   * @param days open days
   */
  public record Shop(
      String name, ZoneId zone, Set<DayOfWeek> days, LocalTime opens, LocalTime closes) {}
}
