package tekmerion.server.run;

import java.time.Instant;
import tekmerion.core.words.Sentences;
import tekmerion.link.CarveFinding;
import tekmerion.link.CopyErasedFinding;
import tekmerion.link.EraseFinding;
import tekmerion.link.FilesFinding;
import tekmerion.link.LinkEvent;
import tekmerion.link.MendFinding;
import tekmerion.link.PartFinding;
import tekmerion.link.RescueFinding;
import tekmerion.link.RunKind;
import tekmerion.link.SurfaceNote;
import tekmerion.link.SurveyFinding;

/** What runs are called and how their ends are told. */
public final class RunWords {
  private RunWords() {}

  public static String name(RunKind kind) {
    return switch (kind) {
      case SURFACE -> "Surface pass";
      case SURFACE_SAMPLED -> "Surface sample";
      case SELF_TEST_SHORT -> "Short self-test";
      case SELF_TEST_EXTENDED -> "Extended self-test";
      case SELF_TEST_CONVEYANCE -> "Conveyance self-test";
      case MARCH -> "March";
      case MARCH_LONG -> "Long march";
      case DISCHARGE -> "Discharge";
      case CHARGE -> "Charge";
      case LOAD_SAMPLE -> "Sample of its work";
      case SURVEY -> "Survey";
      case RESCUE_IN_USE -> "Rescue copy of what is in use";
      case RESCUE_WHOLE -> "Rescue copy of all of it";
      case VERIFY_IMAGE -> "Check of the image";
      case FILE_COPY -> "Copy of files";
      case CARVE -> "Files by their content";
      case ERASE -> "Erasing";
      case ERASE_COPY -> "Erasing of the copy";
      case MEND -> "Mending from copies";
      case TAKE_BACK -> "Taking the mending back";
    };
  }

  static String end(LinkEvent.RunEnded event) {
    return outcome(event.end(), event.run(), event.selfTest(), event.surface(), event.found());
  }

  /** Of one that is ended. */
  public static String outcome(DriveRun run) {
    return outcome(
        run.result().end(), run.kind(), run.result().selfTest(), run.surface(), run.finding());
  }

  private static String outcome(
      LinkEvent.End end,
      RunKind kind,
      LinkEvent.SelfTestNote selfTest,
      SurfaceNote surface,
      PartFinding found) {
    if (end == LinkEvent.End.COULD_NOT_RUN) {
      return "could not run";
    }
    String how =
        switch (end) {
          case CANCELLED -> ", ended by hand";
          case STOPPED_BY_RULE ->
              kind.isCopy()
                  ? ", stopped for want of room"
                  : kind.isOfDrive() ? ", stopped to spare the drive" : ", stopped for safety";
          default -> "";
        };
    if (selfTest != null) {
      return (selfTest.passed() ? "passed" : "failed") + how;
    }
    if (surface == null) {
      return found(found) + how;
    }
    return surface.badSectors() == 0
        ? "all that was read is readable" + how
        : "%,d sectors unreadable%s".formatted(surface.badSectors(), how);
  }

  private static String found(PartFinding found) {
    if (found instanceof PartFinding.MarchFinding march) {
      return march.mismatches() == 0
          ? "no error"
          : march.where().isEmpty() ? "errors" : march.where();
    }
    if (found instanceof PartFinding.DischargeFinding discharge && discharge.chargeAh() != null) {
      return "%.2f Ah drawn".formatted(discharge.chargeAh().value());
    }
    if (found instanceof PartFinding.ChargeFinding charge && charge.intoAmperes() != null) {
      return "charges with %.2f A".formatted(charge.intoAmperes());
    }
    if (found instanceof SurveyFinding survey) {
      return Sentences.lowerFirst(survey.why());
    }
    if (found instanceof RescueFinding rescue) {
      return rescued(rescue);
    }
    if (found instanceof FilesFinding files) {
      return files.failedInAll() == 0
          ? "%,d files copied and verified".formatted(files.verifiedFiles())
          : "%,d of %,d files copied and verified".formatted(files.verifiedFiles(), files.files());
    }
    if (found instanceof CarveFinding carved) {
      return "%,d files found by their content".formatted(carved.files());
    }
    if (found instanceof CopyErasedFinding copy) {
      return copy.left() == 0
          ? "%,d files written over and deleted".formatted(copy.files())
          : "%,d of %,d files could not be deleted".formatted(copy.left(), copy.files());
    }
    if (found instanceof MendFinding mended) {
      return mended.whole()
          ? "%,d of its pieces written; now: %s"
              .formatted(mended.written(), Sentences.lowerFirst(mended.why()))
          : "%,d of %,d pieces written".formatted(mended.written(), mended.pieces().size());
    }
    if (found instanceof EraseFinding erased) {
      return erased.allZero() ? "all of it is zero" : "not all of it is erased";
    }
    return "ended";
  }

  private static String rescued(RescueFinding found) {
    if (found.verified() != null) {
      return found.verified() ? "the same as what was read" : "not what was read";
    }
    long lost = found.lostBytes() + found.openBytes();
    return lost == 0
        ? "all of it read"
        : "%,d bytes lost%s"
            .formatted(
                lost,
                found.lostFilesInAll() == null
                    ? ""
                    : ", in %,d files".formatted(found.lostFilesInAll()));
  }

  static String detail(LinkEvent.RunEnded event) {
    if (event.why() != null && !event.why().isEmpty()) {
      return event.why();
    }
    if (event.selfTest() != null) {
      return event.selfTest().words();
    }
    if (event.found() instanceof PartFinding.MarchFinding march) {
      return march.coverage();
    }
    return event.surface() == null
        ? ""
        : "%.1f %% of it read".formatted(100 * event.surface().shareRead());
  }

  /** "Surface 61 %", for the floor and the bay, where room is short. */
  public static String brief(DriveRun run) {
    String name =
        switch (run.kind()) {
          case SURFACE -> "Surface";
          case SURFACE_SAMPLED -> "Sample";
          case MARCH, MARCH_LONG -> "March";
          case DISCHARGE -> "Battery";
          case CHARGE -> "Charge";
          case LOAD_SAMPLE -> "Its work";
          case SURVEY -> "Survey";
          case RESCUE_IN_USE, RESCUE_WHOLE -> "Rescue";
          case VERIFY_IMAGE -> "Check";
          case FILE_COPY, CARVE -> "Files";
          case ERASE -> "Erasing";
          case ERASE_COPY -> "Copy";
          case MEND, TAKE_BACK -> "Mending";
          default -> "Self-test";
        };
    if (run.waits() != null) {
      return run.share() == null
          ? name + " waits"
          : "%s waits, %.0f %%".formatted(name, 100 * run.share());
    }
    return run.share() == null ? name + " begins" : "%s %.0f %%".formatted(name, 100 * run.share());
  }

  /**
   * When a run that goes on will likely end.
   *
   * @param run null if none goes on
   * @return {@code now} if there is none, or its end cannot be told yet
   */
  public static Instant likelyEnd(DriveRun run, Instant now) {
    if (run == null || run.waits() != null || run.secondsLeft() == null || run.secondsLeft() < 0) {
      return now;
    }
    Instant end = run.toldAt().plusMillis((long) (1000 * run.secondsLeft()));
    return end.isAfter(now) ? end : now;
  }

  /** What a run does, and how long it takes. */
  public static String about(RunKind kind) {
    return switch (kind) {
      case SURFACE -> "reads everything, a random sample first; hours on a large disk";
      case SURFACE_SAMPLED -> "reads a random sample: what share may be bad; minutes";
      case SELF_TEST_SHORT -> "the drive tests itself a little everywhere; about 2 minutes";
      case SELF_TEST_EXTENDED -> "the drive reads all of itself; hours";
      case SELF_TEST_CONVEYANCE -> "the drive looks for damage from transport; about 5 minutes";
      case MARCH -> "stuck cells, transitions, couplings, wrong addresses; minutes";
      case MARCH_LONG -> "also what shows after a pause or now and then; an hour and more";
      case DISCHARGE -> "runs the battery down under load and measures what is in it; hours";
      case CHARGE -> "how it charges at rest, and whether the adapter carries the load; 18 minutes";
      case LOAD_SAMPLE -> "what keeps it busy, every second for three minutes";
      case SURVEY -> "what is on it and why it cannot be opened; reads little, seconds";
      case RESCUE_IN_USE -> "an image of what its files and folders take, easy parts first";
      case RESCUE_WHOLE -> "an image of everything, also of what is free; hours on a large disk";
      case VERIFY_IMAGE -> "reads the image again and compares it with what was read";
      case MEND -> "writes what is damaged anew from its copies; what stood there is kept";
      case TAKE_BACK -> "writes what stood there before the mending";
      case ERASE_COPY -> "writes image and copied files over with zeros and deletes them";
      case ERASE -> "writes all of it over with zeros and reads back what came of that; for good";
      case CARVE -> "looks through the image for photos, documents, archives and databases";
      case FILE_COPY -> "chosen folders, each file read again after it was written";
    };
  }
}
