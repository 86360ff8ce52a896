package tekmerion.server;

import java.time.Clock;
import java.util.Locale;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.context.annotation.Bean;
import org.springframework.scheduling.annotation.EnableScheduling;
import tekmerion.core.forecast.OpenHours;
import tekmerion.core.knowhow.KnowHow;

/** The server program. */
@SpringBootApplication
@EnableScheduling
@ConfigurationPropertiesScan
public class TekmerionServer {
  public static void main(String[] args) {
    // Sentences are English, and so are their numbers, wherever the machine comes from.
    Locale.setDefault(Locale.ENGLISH);
    // Read beside Spring's own start, on another core: it saves most of a second.
    new Thread(KnowHow::shipped, "know-how").start();
    SpringApplication.run(TekmerionServer.class, args);
  }

  @Bean
  Clock clock() {
    return Clock.systemUTC();
  }

  @Bean
  OpenHours openHours(TekmerionProperties properties) {
    TekmerionProperties.Shop shop = properties.shop();
    return new OpenHours(shop.zone(), shop.days(), shop.opens(), shop.closes());
  }
}
