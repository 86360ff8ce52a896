package tekmerion.probe.outbox;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class OutboxTest {
  @TempDir private Path folder;

  private Path place() {
    return folder.resolve("data");
  }

  @Test
  void numbersWithoutGapsAndFindsThemAgain() {
    try (Outbox outbox = Outbox.open(place())) {
      assertThat(outbox.append(UUID.randomUUID(), "one")).hasValue(1);
      assertThat(outbox.append(UUID.randomUUID(), "two")).hasValue(2);
    }

    try (Outbox again = Outbox.open(place())) {
      assertThat(again.lastNumber()).isEqualTo(2);
      assertThat(again.waiting(1, 10))
          .containsExactly(new Outbox.Waiting(1, "one"), new Outbox.Waiting(2, "two"));
      assertThat(again.append(UUID.randomUUID(), "three")).hasValue(3);
    }
  }

  @Test
  void aRequestLeadsToOneEventHoweverOftenItIsAsked() {
    UUID request = UUID.randomUUID();
    try (Outbox outbox = Outbox.open(place())) {
      outbox.append(request, "first");

      assertThat(outbox.append(request, "second")).isEmpty();
      assertThat(outbox.isAnswered(request)).isTrue();
      assertThat(outbox.waiting(1, 10)).containsExactly(new Outbox.Waiting(1, "first"));
    }
  }

  @Test
  void acknowledgedEventsGiveUpTheirBodyButStayInTheLedger() {
    try (Outbox outbox = Outbox.open(place())) {
      outbox.append(UUID.randomUUID(), "one");
      outbox.append(UUID.randomUUID(), "two");

      outbox.acknowledge(1);

      assertThat(outbox.waiting(1, 10)).containsExactly(new Outbox.Waiting(2, "two"));
      List<Outbox.Line> ledger = outbox.ledger();
      assertThat(ledger).extracting(Outbox.Line::acknowledged).containsExactly(true, false);
      // printf one | sha256sum
      assertThat(ledger.get(0).sha256())
          .isEqualTo("7692c3ad3540bb803c020b3aee66cd8887123234ea0c6e7143c0add73ff431ed");
    }
  }

  @Test
  void keepsItsIdentityAndItsNameForEver() {
    UUID id;
    try (Outbox outbox = Outbox.open(place())) {
      id = outbox.id();
      outbox.keepIdentity("token", "secret");
    }

    try (Outbox again = Outbox.open(place())) {
      assertThat(again.id()).isEqualTo(id);
      assertThat(again.identity("token")).hasValue("secret");
      again.forgetIdentity("token");
      assertThat(again.identity("token")).isEmpty();
    }
  }

  @Test
  void nobodyElseCanReadTheToken() throws IOException {
    Outbox.open(place()).close();

    assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(place())))
        .isEqualTo("rwx------");
  }

  @Test
  void aDamagedFileIsNamedAndLeftAlone() throws IOException {
    Files.createDirectories(place());
    Path file = place().resolve("outbox.sqlite");
    Files.writeString(file, "this is not a database, whatever its name says. ".repeat(50));

    assertThatThrownBy(() -> Outbox.open(place()))
        .isInstanceOf(OutboxException.class)
        .hasMessageContaining(place().toString());
    assertThat(file).content().startsWith("this is not a database");
  }
}
