package tekmerion.server.run;

import java.security.SecureRandom;
import java.util.Base64;
import java.util.UUID;
import org.springframework.stereotype.Component;
import tekmerion.link.Release;
import tekmerion.server.TekmerionProperties;

/**
 * The keys that releases are signed with: made from the server's seal key, which is not in the
 * database, so that a stolen copy of the tables forges nothing. A server without a seal key makes a
 * secret at its start: probes have to be enrolled again after a restart before they write.
 */
@Component
public class ReleaseKeys {
  private static final int SECRET_BYTES = 32;
  private final byte[] secret;

  ReleaseKeys(TekmerionProperties properties) {
    if (properties.sealKey() == null || properties.sealKey().isBlank()) {
      secret = new byte[SECRET_BYTES];
      new SecureRandom().nextBytes(secret);
    } else {
      secret = Base64.getDecoder().decode(properties.sealKey());
    }
  }

  public byte[] of(UUID probe) {
    return Release.key(secret, probe);
  }
}
