package tekmerion.core.gate;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

class CopyEvidenceTest {
  private static final CopyEvidence IMAGED = new CopyEvidence(true, false, false, false);
  private static final CopyEvidence IMAGE_VERIFIED = new CopyEvidence(true, true, false, false);
  private static final CopyEvidence SOME_FILES = new CopyEvidence(false, false, true, false);
  private static final CopyEvidence FILES_VERIFIED = new CopyEvidence(false, false, true, true);

  private static Stance of(Stance now, CopyEvidence... drives) {
    return CopyEvidence.stance(now, List.of(drives));
  }

  @Test
  void aCopyCountsByARunAndIsVerifiedByHashesOnly() {
    assertThat(of(Stance.WANTED, CopyEvidence.NONE)).isEqualTo(Stance.WANTED);
    assertThat(of(Stance.WANTED, IMAGED)).isEqualTo(Stance.COPIED);
    assertThat(of(Stance.UNKNOWN, SOME_FILES)).isEqualTo(Stance.COPIED);
    assertThat(of(Stance.COPIED, IMAGE_VERIFIED)).isEqualTo(Stance.COPY_VERIFIED);
    assertThat(of(Stance.WANTED, FILES_VERIFIED)).isEqualTo(Stance.COPY_VERIFIED);
  }

  @Test
  void oneDriveWithoutACopyOpensNothing() {
    assertThat(of(Stance.WANTED, IMAGE_VERIFIED, CopyEvidence.NONE)).isEqualTo(Stance.WANTED);
    assertThat(of(Stance.WANTED, IMAGE_VERIFIED, IMAGED)).isEqualTo(Stance.COPIED);
  }

  /** An image that turns out not to be what was read, or is copied anew. */
  @Test
  void aCopyThatIsNoneAnyMoreIsTakenBack() {
    assertThat(of(Stance.COPY_VERIFIED, IMAGED)).isEqualTo(Stance.COPIED);
    assertThat(of(Stance.COPY_VERIFIED, CopyEvidence.NONE)).isEqualTo(Stance.WANTED);
  }

  @Test
  void whatItsOwnerSignedAwayStaysSo() {
    assertThat(of(Stance.NOT_WANTED, IMAGE_VERIFIED)).isEqualTo(Stance.NOT_WANTED);
  }
}
