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
  @JsonSubTypes.Type(value = LinkEvent.DriveRead.class, name = "drive-read"),
  @JsonSubTypes.Type(value = LinkEvent.CommandRefused.class, name = "command-refused")
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
  record DriveRead(
      UUID requestId, UUID readingId, String driveKey, Instant takenAt, List<PageNote> pages)
      implements LinkEvent {
    public DriveRead {
      pages = List.copyOf(pages);
    }
  }

  /** A command could not be carried out at all. */
  record CommandRefused(UUID requestId, Instant at, String why) implements LinkEvent {}
}
