package tekmerion.launch.stick;

import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import tekmerion.link.stick.StickKey;
import tekmerion.link.tls.Fingerprint;

/**
 * Whose stick it is.
 *
 * @param servers addresses of the shop's server, tried in this order; none for a stick without one
 * @param authority of the shop; there whenever there is a server
 * @param key of the shop, to which the stick seals what it keeps; empty for one that keeps nothing
 * @param language of its screen: en or nb
 */
public record StickShop(
    List<URI> servers, Optional<Fingerprint> authority, Optional<StickKey> key, String language) {
  public StickShop {
    servers = List.copyOf(servers);
    for (URI server : servers) {
      if (!"https".equals(server.getScheme()) || server.getHost() == null) {
        throw new StickException(
            "%s is no https address. A stick sends nothing that could be read on the way."
                .formatted(server));
      }
    }
    if (!servers.isEmpty() && authority.isEmpty()) {
      throw new StickException(
          "--authority is missing: the fingerprint that the server says when it starts. Without it a"
              + " stick would trust any server.");
    }
  }

  /** As the stick's system reads it, a setting a line. */
  String settings() {
    return "servers=%s\nauthority=%s\nstick=%s\nstick_key=%s\nlanguage=%s\n"
        .formatted(
            servers.stream().map(URI::toString).collect(Collectors.joining(" ")),
            authority.map(Fingerprint::toString).orElse(""),
            name(),
            key.map(StickKey::toString).orElse(""),
            language);
  }

  /** Name of a partition of the shop's sticks, by which a started one knows itself. */
  String name() {
    return "tekmerion-" + id("name").toString().substring(0, 8);
  }

  /** The same for the same shop. */
  UUID id(String of) {
    String shop =
        "%s %s %s"
            .formatted(
                servers,
                authority.map(Fingerprint::toString).orElse(""),
                key.map(StickKey::toString).orElse(""));
    return UUID.nameUUIDFromBytes((of + " " + shop).getBytes(StandardCharsets.UTF_8));
  }
}
