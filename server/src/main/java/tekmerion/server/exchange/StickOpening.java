package tekmerion.server.exchange;

import java.util.Base64;
import java.util.Optional;
import org.springframework.stereotype.Component;
import tekmerion.link.stick.StickKey;
import tekmerion.link.stick.StickOpener;
import tekmerion.server.TekmerionProperties;

/** The shop's half of what its sticks seal; a server without a seal key has none. */
@Component
class StickOpening {
  private final Optional<StickOpener> opener;

  StickOpening(TekmerionProperties properties) {
    opener =
        Optional.ofNullable(properties.sealKey())
            .filter(text -> !text.isBlank())
            .map(text -> StickOpener.ofSealKey(Base64.getDecoder().decode(text)));
  }

  Optional<StickOpener> opener() {
    return opener;
  }

  Optional<StickKey> key() {
    return opener.map(StickOpener::key);
  }
}
