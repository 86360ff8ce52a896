package tekmerion.demo;

import java.nio.file.Path;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * What the demo shop is told.
 *
 * @param password of the demo accounts; made by the launcher, never shipped
 * @param history file of past jobs that the simulation wrote; null for none
 * @param large whether to fill an empty shop with 100,000 jobs
 */
@Component
record DemoProperties(
    @Value("${tekmerion.demo-password:}") String password,
    @Value("${tekmerion.demo-history:#{null}}") Path history,
    @Value("${tekmerion.demo-large:false}") boolean large) {}
