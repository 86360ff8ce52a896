package tekmerion.probe.link;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpResponse;
import tekmerion.link.BenchLink;
import tekmerion.link.Enrolment;
import tekmerion.link.LinkCodec;
import tekmerion.link.MachineNote;
import tekmerion.probe.outbox.Outbox;

/** Turns a one-time code, or a knock that is answered, into a token, once. */
final class Enroller {
  static final String TOKEN = "token";
  static final String RELEASE_KEY = "releaseKey";
  static final String PROBE_ID = "probeId";
  static final String SERVER = "server";

  private Enroller() {}

  /**
   * @return the token, from the outbox if the probe is enrolled with this server already
   * @param code null to knock
   * @throws LinkRefusedException if the code is no good, or the machine is turned away
   */
  static String token(
      URI server, String code, MachineNote machine, Outbox outbox, HttpClient http, Told told)
      throws IOException, InterruptedException {
    boolean sameServer = outbox.identity(SERVER).filter(server.toString()::equals).isPresent();
    if (sameServer && outbox.identity(TOKEN).isPresent()) {
      return outbox.identity(TOKEN).get();
    }
    Enrolment.Granted granted =
        code == null
            ? new Knocker(server, http, told).knock(machine, outbox)
            : enrol(server, code, machine, outbox, http);
    outbox.keepIdentity(SERVER, server.toString());
    outbox.keepIdentity(PROBE_ID, granted.probeId());
    outbox.keepIdentity(RELEASE_KEY, granted.releaseKey());
    outbox.keepIdentity(TOKEN, granted.token());
    return granted.token();
  }

  private static Enrolment.Granted enrol(
      URI server, String code, MachineNote machine, Outbox outbox, HttpClient http)
      throws IOException, InterruptedException {
    HttpResponse<String> response =
        Sent.to(
            server.resolve(BenchLink.ENROLMENT_PATH),
            new Enrolment.Request(code, ProbeVersion.CURRENT, outbox.id(), machine),
            http);
    if (response.statusCode() == 200) {
      return LinkCodec.decode(response.body(), Enrolment.Granted.class);
    }
    throw new LinkRefusedException(Refusal.sentence(response.statusCode(), response.body()));
  }
}
