package tekmerion.server.run;

import java.time.Instant;
import tekmerion.core.words.Sentences;
import tekmerion.link.CarveResult;
import tekmerion.link.ChargeResult;
import tekmerion.link.CopyErasedResult;
import tekmerion.link.DischargeResult;
import tekmerion.link.EraseResult;
import tekmerion.link.FileCopyResult;
import tekmerion.link.LinkEvent;
import tekmerion.link.MemoryTestResult;
import tekmerion.link.MendResult;
import tekmerion.link.RescueResult;
import tekmerion.link.RunKind;
import tekmerion.link.RunResult;
import tekmerion.link.SelfTestResult;
import tekmerion.link.SurfaceScanResult;
import tekmerion.link.SurveyResult;

/** What runs are called and how their ends are told. */
public final class RunWords {
  private RunWords() {}

  public static String name(RunKind kind) {
    return switch (kind) {
      case SURFACE_SCAN -> "Surface scan";
      case SURFACE_SAMPLE -> "Surface sample";
      case SELF_TEST_SHORT -> "Short self-test";
      case SELF_TEST_EXTENDED -> "Extended self-test";
      case SELF_TEST_CONVEYANCE -> "Conveyance self-test";
      case MEMORY_TEST -> "Memory test";
      case MEMORY_TEST_LONG -> "Long memory test";
      case DISCHARGE -> "Discharge";
      case CHARGE -> "Charge";
      case LOAD_SAMPLE -> "Sample of its work";
      case SURVEY -> "Survey";
      case RESCUE_IN_USE -> "Rescue image of what is in use";
      case RESCUE_WHOLE -> "Rescue image of all of it";
      case VERIFY_IMAGE -> "Check of the image";
      case FILE_COPY -> "Copy of files";
      case CARVE -> "Files by their content";
      case ERASE -> "Erasing";
      case ERASE_COPY -> "Erasing of the copy";
      case MEND -> "Mending from copies";
      case TAKE_BACK -> "Taking the mending back";
    };
  }

  public static String end(LinkEvent.RunEnded event) {
    return outcome(event.end(), event.run(), event.result());
  }

  /** Of one that is ended. */
  public static String outcome(Run run) {
    return outcome(run.ending().end(), run.kind(), run.result());
  }

  private static String outcome(LinkEvent.End end, RunKind kind, RunResult found) {
    if (end == LinkEvent.End.COULD_NOT_RUN) {
      return "could not run";
    }
    String how =
        switch (end) {
          case CANCELLED -> ", ended by hand";
          case STOPPED_BY_RULE ->
              kind.usesCopies()
                  ? ", stopped for want of room"
                  : kind.isOfDrive() ? ", stopped to spare the drive" : ", stopped for safety";
          default -> "";
        };
    return found(found) + how;
  }

  private static String found(RunResult found) {
    if (found instanceof SurfaceScanResult surface) {
      return surface.badSectors() == 0
          ? "all that was read is readable"
          : "%,d sectors unreadable".formatted(surface.badSectors());
    }
    if (found instanceof SelfTestResult test) {
      return test.passed() ? "passed" : "failed";
    }
    if (found instanceof MemoryTestResult march) {
      return march.mismatches() == 0
          ? "no error"
          : march.where().isEmpty() ? "errors" : march.where();
    }
    if (found instanceof DischargeResult discharge && discharge.chargeAh() != null) {
      return "%.2f Ah drawn".formatted(discharge.chargeAh().value());
    }
    if (found instanceof ChargeResult charge && charge.intoAmperes() != null) {
      return "charges with %.2f A".formatted(charge.intoAmperes());
    }
    if (found instanceof SurveyResult survey) {
      return Sentences.lowerFirst(survey.why());
    }
    if (found instanceof RescueResult rescue) {
      return rescued(rescue);
    }
    if (found instanceof FileCopyResult files) {
      return files.failedInAll() == 0
          ? "%,d files copied and verified".formatted(files.verifiedFiles())
          : "%,d of %,d files copied and verified".formatted(files.verifiedFiles(), files.files());
    }
    if (found instanceof CarveResult carved) {
      return "%,d files found by their content".formatted(carved.files());
    }
    if (found instanceof CopyErasedResult copy) {
      return copy.left() == 0
          ? "%,d files written over and deleted".formatted(copy.files())
          : "%,d of %,d files could not be deleted".formatted(copy.left(), copy.files());
    }
    if (found instanceof MendResult mended) {
      return mended.whole()
          ? "%,d of its pieces written; now: %s"
              .formatted(mended.written(), Sentences.lowerFirst(mended.why()))
          : "%,d of %,d pieces written".formatted(mended.written(), mended.pieces().size());
    }
    if (found instanceof EraseResult erased) {
      return erased.allZero() ? "all of it is zero" : "not all of it is erased";
    }
    return "ended";
  }

  private static String rescued(RescueResult found) {
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

  public static String detail(LinkEvent.RunEnded event) {
    if (event.why() != null && !event.why().isEmpty()) {
      return event.why();
    }
    if (event.result() instanceof SelfTestResult test) {
      return test.words();
    }
    if (event.result() instanceof MemoryTestResult test) {
      return test.coverage();
    }
    return event.result() instanceof SurfaceScanResult surface
        ? "%.1f %% of it read".formatted(100 * surface.shareRead())
        : "";
  }

  /** "Surface 61 %", for the floor and the bay, where room is short. */
  public static String brief(Run run) {
    String name =
        switch (run.kind()) {
          case SURFACE_SCAN -> "Surface";
          case SURFACE_SAMPLE -> "Sample";
          case MEMORY_TEST, MEMORY_TEST_LONG -> "Memory test";
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
  public static Instant likelyEnd(Run run, Instant now) {
    if (run == null || run.waits() != null || run.secondsLeft() == null || run.secondsLeft() < 0) {
      return now;
    }
    Instant end = run.toldAt().plusMillis((long) (1000 * run.secondsLeft()));
    return end.isAfter(now) ? end : now;
  }

  /** What a run does, and how long it takes. */
  public static String about(RunKind kind) {
    return switch (kind) {
      case SURFACE_SCAN -> "reads everything, a random sample first; hours on a large disk";
      case SURFACE_SAMPLE -> "reads a random sample: what share may be bad; minutes";
      case SELF_TEST_SHORT -> "the drive tests itself a little everywhere; about 2 minutes";
      case SELF_TEST_EXTENDED -> "the drive reads all of itself; hours";
      case SELF_TEST_CONVEYANCE -> "the drive looks for damage from transport; about 5 minutes";
      case MEMORY_TEST -> "stuck cells, transitions, couplings, wrong addresses; minutes";
      case MEMORY_TEST_LONG -> "also what shows after a pause or now and then; an hour and more";
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
