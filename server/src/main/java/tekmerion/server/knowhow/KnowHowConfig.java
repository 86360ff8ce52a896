package tekmerion.server.knowhow;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import tekmerion.core.knowhow.KnowHow;

/** What ships, with what the shop took over from its own jobs. */
@Configuration
class KnowHowConfig {
  @Bean
  KnowHow knowHow(OwnLikelihoods own) {
    return KnowHow.shipped().with(own.all());
  }
}
