package tekmerion.demo;

import org.springframework.beans.factory.ObjectProvider;
import org.springframework.boot.autoconfigure.AutoConfiguration;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.ComponentScan;
import org.springframework.core.env.Environment;
import tekmerion.core.forecast.OpenHours;

/** Brings itself into a server on whose class path it is, if that is told to be a demo. */
@AutoConfiguration
@ConditionalOnProperty("tekmerion.demo")
@ComponentScan
public class Demo {
  /** Before all else, as it looks at every clock that is made. */
  @Bean
  static DemoClock demoClock(Environment environment, ObjectProvider<OpenHours> hours) {
    return new DemoClock(environment.getProperty("tekmerion.demo-at", ""), hours::getObject);
  }
}
