package tekmerion.server.web;

import java.time.Duration;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.CacheControl;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** Files of the page: their names hold a hash of their content, so they never change. */
@Configuration
class WebConfig implements WebMvcConfigurer {
  @Override
  public void addResourceHandlers(ResourceHandlerRegistry registry) {
    registry
        .addResourceHandler("/assets/**")
        .addResourceLocations("classpath:/web/assets/")
        .setCacheControl(CacheControl.maxAge(Duration.ofDays(365)).immutable());
    registry.addResourceHandler("/favicon.svg").addResourceLocations("classpath:/web/");
  }
}
