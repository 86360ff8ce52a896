package tekmerion.link;

import java.util.UUID;

/** Enrolment over HTTP, before there is a socket. */
public final class Enrolment {
  private Enrolment() {}

  /**
   * @param code the one-time code shown in the bay
   * @param probeVersion of the asking program
   * @param outboxId names the outbox; when a revoked probe enrols again its numbers go on
   * @param machine how the machine names itself
   */
  public record Request(String code, String probeVersion, UUID outboxId, MachineNote machine) {}

  /**
   * @param probeId names the probe in the shop
   * @param token secret, given once; the server keeps only its hash
   * @param bay name of the bay the probe now belongs to
   * @param releaseKey secret, given once, by which the probe knows the server's releases; hex
   */
  public record Granted(String probeId, String token, String bay, String releaseKey) {}
}
