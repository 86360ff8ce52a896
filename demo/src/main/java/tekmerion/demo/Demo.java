package tekmerion.demo;

import org.springframework.boot.autoconfigure.AutoConfiguration;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.context.annotation.ComponentScan;

/** Brings itself into a server on whose class path it is, if that is told to be a demo. */
@AutoConfiguration
@ConditionalOnProperty("tekmerion.demo")
@ComponentScan
public class Demo {}
