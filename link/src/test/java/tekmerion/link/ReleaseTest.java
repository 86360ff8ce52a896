package tekmerion.link;

import static org.assertj.core.api.Assertions.assertThat;
import static tekmerion.link.Messages.DISK;
import static tekmerion.link.Messages.ID;
import static tekmerion.link.Messages.KEY;
import static tekmerion.link.Messages.NONCE;
import static tekmerion.link.Messages.SHA;
import static tekmerion.link.Messages.disk;

import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import tekmerion.core.permit.DataStatus;

class ReleaseTest {
  /** Whatever is changed of it, and whoever else signs it. */
  @Test
  void aReleaseHoldsOnlyAsItWasSigned() {
    Release r =
        Release.of(
            ID, RunKind.ERASE, "drive-a", DISK, DataStatus.COPY_VERIFIED, SHA, NONCE, 9, KEY);

    assertThat(r.holds(KEY)).isTrue();
    assertThat(r.holds(Release.key(new byte[] {1}, new UUID(1, 2)))).isFalse();
    assertThat(r.holds(new byte[0])).isFalse();
    DataStatus given = r.status();
    String other = "1" + NONCE.substring(1);
    assertThat(
            List.of(
                new Release(
                    new UUID(1, 2), r.kind(), "drive-a", DISK, given, SHA, NONCE, 9, r.mac()),
                new Release(ID, RunKind.MEND, "drive-a", DISK, given, SHA, NONCE, 9, r.mac()),
                new Release(ID, r.kind(), "drive-b", DISK, given, SHA, NONCE, 9, r.mac()),
                new Release(
                    ID, r.kind(), "drive-a", disk("X", "19-B", 9), given, SHA, NONCE, 9, r.mac()),
                new Release(
                    ID,
                    r.kind(),
                    "drive-a",
                    disk("HELM-1000S", "X", 9),
                    given,
                    SHA,
                    NONCE,
                    9,
                    r.mac()),
                new Release(
                    ID,
                    r.kind(),
                    "drive-a",
                    disk("HELM-1000S", "19-B", 8),
                    given,
                    SHA,
                    NONCE,
                    9,
                    r.mac()),
                new Release(
                    ID, r.kind(), "drive-a", DISK, DataStatus.NOT_WANTED, SHA, NONCE, 9, r.mac()),
                new Release(ID, r.kind(), "drive-a", DISK, given, SHA, other, 9, r.mac()),
                new Release(ID, r.kind(), "drive-a", DISK, given, null, NONCE, 9, r.mac()),
                new Release(ID, r.kind(), "drive-a", DISK, given, SHA, NONCE, 10, r.mac()),
                new Release(ID, r.kind(), "drive-a", DISK, given, SHA, NONCE, 9, null)))
        .noneMatch(changed -> changed.holds(KEY));
  }
}
