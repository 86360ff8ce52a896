package tekmerion.server;

import org.springframework.boot.context.properties.ConfigurationProperties;

/**
 * @param appUser database user the server works as
 * @param demo whether to make the demo shop on an empty database
 * @param demoPassword of the demo accounts; made by the launcher, never shipped
 */
@ConfigurationProperties("tekmerion")
public record TekmerionProperties(String appUser, boolean demo, String demoPassword) {}
