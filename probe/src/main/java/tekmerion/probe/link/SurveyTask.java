package tekmerion.probe.link;

import static tekmerion.words.Words.say;

import java.io.IOException;
import tekmerion.core.files.InUse;
import tekmerion.core.port.ByteSource;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.link.LinkEvent.End;

/** Looks at what is on a drive. It cannot be stopped half way: it takes seconds. */
final class SurveyTask extends PartTask {
  private final MachineUnderTest.BytesOpener drive;

  SurveyTask(Job job, MachineUnderTest.BytesOpener drive) {
    super(job);
    this.drive = drive;
  }

  @Override
  Outcome carryOut() {
    try (ByteSource source = drive.open()) {
      return new Outcome(End.COMPLETE, "", DataNotes.of(InUse.of(source)));
    } catch (IOException e) {
      return new Outcome(
          End.COULD_NOT_RUN, say("probe.it-cannot-be-opened", "why", Why.of(e)), null);
    }
  }
}
