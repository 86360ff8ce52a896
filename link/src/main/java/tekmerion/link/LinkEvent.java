package tekmerion.link;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.time.Instant;
import java.util.List;
import java.util.UUID;

/**
 * Something that happened at the probe and must not be lost. Kept in its outbox until committed.
 */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
  @JsonSubTypes.Type(value = LinkEvent.PartRead.class, name = "part-read"),
  @JsonSubTypes.Type(value = LinkEvent.CommandRefused.class, name = "command-refused"),
  @JsonSubTypes.Type(value = LinkEvent.RunEnded.class, name = "run-ended")
})
public sealed interface LinkEvent {
  /** The request that led to it. */
  UUID requestId();

  /**
   * A drive was read.
   *
   * @param readingId made by the probe; the same reading sent twice has the same one
   * @param takenAt by the probe's clock
   */
  record PartRead(
      UUID requestId, UUID readingId, String partKey, Instant takenAt, List<PageNote> pages)
      implements LinkEvent {
    public PartRead {
      pages = List.copyOf(pages);
    }
  }

  /** A command could not be carried out at all. */
  record CommandRefused(UUID requestId, Instant at, String why) implements LinkEvent {}

  /**
   * A run came to an end of some kind.
   *
   * @param end how: see {@link End}
   * @param why empty if it came to its end
   * @param partKey key of the drive, or of what else it ran on
   * @param result what it found until then; null if nothing
   * @param drive which drive it was, at its beginning and at its end; null if it did not tell, or
   *     was another one at the end
   */
  record RunEnded(
      UUID requestId,
      String partKey,
      RunKind run,
      Instant startedAt,
      Instant endedAt,
      End end,
      String why,
      RunResult result,
      DriveSeen drive)
      implements LinkEvent {
    /** Of a run that is on no drive, or of which nobody asked which it was. */
    public RunEnded(
        UUID requestId,
        String partKey,
        RunKind run,
        Instant startedAt,
        Instant endedAt,
        End end,
        String why,
        RunResult result) {
      this(requestId, partKey, run, startedAt, endedAt, end, why, result, null);
    }

    /** The same, of this drive. */
    public RunEnded of(DriveSeen seen) {
      return new RunEnded(requestId, partKey, run, startedAt, endedAt, end, why, result, seen);
    }
  }

  /** How a run ended. */
  enum End {
    COMPLETE,
    CANCELLED,
    /** By a rule, to spare the drive. */
    STOPPED_BY_RULE,
    /** Neither passed nor failed. */
    COULD_NOT_RUN
  }
}
