package tekmerion.server;

import java.time.Clock;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.context.annotation.Bean;
import org.springframework.scheduling.annotation.EnableScheduling;
import tekmerion.core.knowhow.KnowHow;

/** The server program. */
@SpringBootApplication
@EnableScheduling
@ConfigurationPropertiesScan
public class TekmerionServer {
  public static void main(String[] args) {
    SpringApplication.run(TekmerionServer.class, args);
  }

  @Bean
  Clock clock() {
    return Clock.systemUTC();
  }

  @Bean
  KnowHow knowHow() {
    return KnowHow.shipped();
  }
}
