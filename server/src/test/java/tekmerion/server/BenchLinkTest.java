package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.sql.SQLException;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CompletionException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;
import tekmerion.launch.LinkPeer;
import tekmerion.launch.ShopClient;
import tekmerion.link.BenchLink;
import tekmerion.link.LinkEvent;
import tekmerion.link.PageNote;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;
import tekmerion.sim.SimMachines;
import tools.jackson.databind.JsonNode;

/** The server's end of the bench link, with a peer that behaves and one that does not. Bay 1. */
@ExtendWith(RunningServer.class)
class BenchLinkTest {
  private static final int BAY = 1;
  private static final String JOB = "/api/jobs/J-2291";

  private static LinkEvent.PartRead reading(UUID request, UUID reading) {
    MachineUnderTest machine = new SimMachines().open("sim:worn-disk,0").orElseThrow();
    List<PageNote> pages =
        machine.drives().get(0).pages().kinds().stream()
            .map(kind -> PageNote.of(kind, machine.drives().get(0).pages().read(kind)))
            .toList();
    return new LinkEvent.PartRead(request, reading, "drive-a", Instant.now(), pages);
  }

  private static UUID ask(ShopClient shop) {
    ShopClient.Answer asked = shop.post(JOB + "/readings", Map.of("partKey", "drive-a"));
    assertThat(asked.status()).as(asked.body().toString()).isEqualTo(202);
    return UUID.fromString(asked.body().get("requestId").stringValue());
  }

  private static long readings(RunningServer.Shop shop, UUID id) throws SQLException {
    return shop.count("SELECT COUNT(*) FROM reading WHERE id = '%s'".formatted(id));
  }

  @Test
  void aReadingIsAskedForTakenKeptAndWeighed(RunningServer.Shop shop) throws Exception {
    ShopClient ines = shop.signedIn();
    String token = LinkPeer.enrol(ines, BAY, UUID.randomUUID());
    try (LinkPeer peer = new LinkPeer(shop.address(), token)) {
      peer.hello(0);
      assertThat(peer.next(ToProbe.Welcome.class))
          .isEqualTo(new ToProbe.Welcome(BenchLink.PROTOCOL, "bay 1", 0));
      UUID request = ask(ines);
      assertThat(peer.next(ToProbe.ReadPart.class))
          .isEqualTo(new ToProbe.ReadPart(request, "drive-a"));
      LinkEvent.PartRead event = reading(request, UUID.randomUUID());

      peer.send(new ToServer.Event(1, event));

      assertThat(peer.next(ToProbe.Acknowledge.class)).isEqualTo(new ToProbe.Acknowledge(1));
      JsonNode view = ines.get("/api/readings/" + event.readingId()).body();
      for (int i = 0; i < event.pages().size(); i++) {
        RawPage sent = event.pages().get(i).answer().bytes().orElseThrow();
        assertThat(view.at("/pages/%d/hex".formatted(i)).stringValue())
            .isEqualTo(sent.hex(0, sent.size()));
      }
      JsonNode job = ines.get(JOB).body();
      assertThat(job.at("/weighing/causes")).hasSizeGreaterThanOrEqualTo(6);
      assertThat(job.at("/weighing/causes/0/cause").stringValue()).isEqualTo("failing-drive");
      assertThat(job.at("/drives/0/identity").stringValue()).isEqualTo("HELM-1000S · OS7K-44019-B");
    }
  }

  @Test
  void aRepeatIsHarmlessAndAGapIsAskedFor(RunningServer.Shop shop) throws Exception {
    ShopClient ines = shop.signedIn();
    String token = LinkPeer.enrol(ines, BAY, UUID.randomUUID());
    try (LinkPeer peer = new LinkPeer(shop.address(), token)) {
      peer.hello(0);
      peer.next(ToProbe.Welcome.class);
      LinkEvent.PartRead first = reading(UUID.randomUUID(), UUID.randomUUID());
      LinkEvent.PartRead second = reading(UUID.randomUUID(), UUID.randomUUID());

      peer.send(new ToServer.Event(2, second));
      assertThat(peer.next(ToProbe.Resend.class)).isEqualTo(new ToProbe.Resend(1));
      assertThat(readings(shop, second.readingId())).isZero();

      for (int i = 0; i < 3; i++) {
        peer.send(new ToServer.Event(1, first));
        assertThat(peer.next(ToProbe.Acknowledge.class)).isEqualTo(new ToProbe.Acknowledge(1));
      }
      peer.send(new ToServer.Event(2, second));
      assertThat(peer.next(ToProbe.Acknowledge.class)).isEqualTo(new ToProbe.Acknowledge(2));
      assertThat(readings(shop, first.readingId())).isOne();
      assertThat(readings(shop, second.readingId())).isOne();
    }
  }

  @Test
  void whatCannotBeUsedIsKeptWholeAndDoesNotBlock(RunningServer.Shop shop) throws Exception {
    ShopClient ines = shop.signedIn();
    String token = LinkPeer.enrol(ines, BAY, UUID.randomUUID());
    try (LinkPeer peer = new LinkPeer(shop.address(), token)) {
      peer.hello(0);
      peer.next(ToProbe.Welcome.class);
      LinkEvent.PartRead bad =
          new LinkEvent.PartRead(
              UUID.randomUUID(),
              UUID.randomUUID(),
              "drive-a",
              Instant.now(),
              List.of(new PageNote("ata-smart", PageNote.Outcome.GOT, "?", null)));
      LinkEvent.PartRead good = reading(UUID.randomUUID(), UUID.randomUUID());

      peer.send(new ToServer.Event(1, bad));
      peer.send(new ToServer.Event(2, good));

      assertThat(peer.next(ToProbe.Acknowledge.class)).isEqualTo(new ToProbe.Acknowledge(1));
      assertThat(peer.next(ToProbe.Acknowledge.class)).isEqualTo(new ToProbe.Acknowledge(2));
      assertThat(
              shop.count(
                  "SELECT COUNT(*) FROM link_event WHERE refused_why LIKE '%%no Base64%%'"
                      + " AND body LIKE '%%%s%%'".formatted(bad.readingId())))
          .isOne();
      assertThat(readings(shop, good.readingId())).isOne();
    }
  }

  @Test
  void theThreeAnswersAreKeptApart(RunningServer.Shop shop) throws Exception {
    ShopClient ines = shop.signedIn();
    String token = LinkPeer.enrol(ines, BAY, UUID.randomUUID());
    try (LinkPeer peer = new LinkPeer(shop.address(), token)) {
      peer.hello(0);
      peer.next(ToProbe.Welcome.class);
      UUID reading = UUID.randomUUID();
      peer.send(
          new ToServer.Event(
              1,
              new LinkEvent.PartRead(
                  UUID.randomUUID(),
                  reading,
                  "drive-a",
                  Instant.now(),
                  List.of(
                      PageNote.of(
                          PageKind.ATA_SMART, new PageAnswer.CouldNotRun("the drive timed out")),
                      PageNote.of(
                          PageKind.ATA_THRESHOLDS,
                          new PageAnswer.NotReported("no such feature"))))));
      peer.next(ToProbe.Acknowledge.class);

      JsonNode pages = ines.get("/api/readings/" + reading).body().get("pages");

      assertThat(pages.at("/0/outcome").stringValue()).isEqualTo("COULD_NOT_RUN");
      assertThat(pages.at("/0/why").stringValue()).isEqualTo("the drive timed out");
      assertThat(pages.at("/1/outcome").stringValue()).isEqualTo("NOT_REPORTED");
      assertThat(pages.at("/0/hex").isNull()).isTrue();
    }
  }

  @Test
  void anOpenRequestIsGivenAgainAtTheNextHello(RunningServer.Shop shop) throws Exception {
    ShopClient ines = shop.signedIn();
    String token = LinkPeer.enrol(ines, BAY, UUID.randomUUID());
    UUID request;
    try (LinkPeer peer = new LinkPeer(shop.address(), token)) {
      peer.hello(0);
      peer.next(ToProbe.Welcome.class);
      request = ask(ines);
      peer.next(ToProbe.ReadPart.class);
    } // killed in mid-reading

    try (LinkPeer again = new LinkPeer(shop.address(), token)) {
      again.hello(0);
      again.next(ToProbe.Welcome.class);
      assertThat(again.next(ToProbe.ReadPart.class).requestId()).isEqualTo(request);
      again.send(
          new ToServer.Event(
              1,
              new LinkEvent.CommandRefused(request, Instant.now(), "no drive is called drive-a")));
      again.next(ToProbe.Acknowledge.class);
    }
    assertThat(ines.get(JOB).body().at("/pending/0/refusedWhy").stringValue())
        .isEqualTo("no drive is called drive-a");
  }

  @Test
  void aRevokedProbeIsToldWhyAndKeptOut(RunningServer.Shop shop) throws Exception {
    ShopClient ines = shop.signedIn();
    UUID outbox = UUID.randomUUID();
    String token = LinkPeer.enrol(ines, BAY, outbox);
    try (LinkPeer peer = new LinkPeer(shop.address(), token)) {
      peer.hello(0);
      peer.next(ToProbe.Welcome.class);
      peer.send(new ToServer.Event(1, reading(UUID.randomUUID(), UUID.randomUUID())));
      peer.next(ToProbe.Acknowledge.class);

      assertThat(ines.delete("/api/bays/1/probe").status()).isEqualTo(204);

      assertThat(peer.closing())
          .isEqualTo(
              new LinkPeer.Closed(
                  BenchLink.CLOSE_REVOKED,
                  "This probe was revoked. Ask for a new code in the bay and start it with --code CODE."));
    }
    assertThatThrownBy(() -> new LinkPeer(shop.address(), token))
        .isInstanceOf(CompletionException.class);

    // Enrolled again, its numbers go on where they were.
    String newToken = LinkPeer.enrol(ines, BAY, outbox);
    try (LinkPeer again = new LinkPeer(shop.address(), newToken)) {
      again.hello(1);
      assertThat(again.next(ToProbe.Welcome.class).receivedThrough()).isEqualTo(1);
    }
  }

  /** Twenty times, as the end of a connection and a revocation must meet in the same moment. */
  @Test
  void aRevocationIsNotUndoneByAConnectionThatEndsMeanwhile(RunningServer.Shop shop)
      throws Exception {
    ShopClient ines = shop.signedIn();
    for (int time = 0; time < 20; time++) {
      String token = LinkPeer.enrol(ines, BAY, UUID.randomUUID());
      try (LinkPeer peer = new LinkPeer(shop.address(), token)) {
        peer.hello(0);
        peer.next(ToProbe.Welcome.class);
      }
      assertThat(ines.delete("/api/bays/1/probe").status()).isEqualTo(204);
      assertThat(ines.delete("/api/bays/1/probe").status()).isEqualTo(409);
    }
  }

  @Test
  void aMessageThatIsNoneEndsTheLinkWithAReason(RunningServer.Shop shop) throws Exception {
    String token = LinkPeer.enrol(shop.signedIn(), BAY, UUID.randomUUID());
    try (LinkPeer peer = new LinkPeer(shop.address(), token)) {
      peer.sendRaw("{\"type\":\"erase\"}");

      assertThat(peer.closing().code()).isEqualTo(BenchLink.CLOSE_BAD_MESSAGE);
    }
  }

  @Test
  void wrongCodesAreRefusedAndThenNotEvenLookedAt(RunningServer.Shop shop) throws Exception {
    ShopClient ines = shop.signedIn();
    String good = ines.enrolmentCode(BAY);
    try {
      ShopClient.Answer wrong = LinkPeer.tryCode(ines, "AAAA-AAAA", UUID.randomUUID());
      assertThat(wrong.status()).isEqualTo(401);
      assertThat(wrong.body().get("detail").stringValue()).contains("wrong, used or older");
      assertThat(wrong.body().get("toDo").stringValue()).contains("Ask for a new code");
      for (int i = 0; i < 19; i++) {
        assertThat(LinkPeer.tryCode(ines, "AAAA-AA" + (10 + i), UUID.randomUUID()).status())
            .isEqualTo(401);
      }

      ShopClient.Answer limited = LinkPeer.tryCode(ines, good, UUID.randomUUID());

      assertThat(limited.status()).isEqualTo(429);
      assertThat(limited.body().get("toDo").stringValue()).startsWith("Wait 10 minutes");
    } finally {
      shop.asOwner("DELETE FROM attempt_count");
    }
    assertThat(LinkPeer.tryCode(ines, good.toLowerCase(Locale.ROOT), UUID.randomUUID()).status())
        .isEqualTo(200);
    assertThat(LinkPeer.tryCode(ines, good, UUID.randomUUID()).status()).isEqualTo(401); // used
    shop.asOwner("DELETE FROM attempt_count");
  }
}
