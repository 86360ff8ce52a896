package tekmerion.link;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.UUID;
import tekmerion.core.permit.DataStatus;

/** What the server sends: a fixed set; nothing in it is ever executed as text. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "type")
@JsonSubTypes({
  @JsonSubTypes.Type(value = ToProbe.Welcome.class, name = "welcome"),
  @JsonSubTypes.Type(value = ToProbe.Acknowledge.class, name = "acknowledge"),
  @JsonSubTypes.Type(value = ToProbe.Resend.class, name = "resend"),
  @JsonSubTypes.Type(value = ToProbe.ReadPart.class, name = "read-part"),
  @JsonSubTypes.Type(value = ToProbe.StartRun.class, name = "start-run"),
  @JsonSubTypes.Type(value = ToProbe.StopRun.class, name = "stop-run"),
  @JsonSubTypes.Type(value = ToProbe.ReleaseGiven.class, name = "release-given"),
  @JsonSubTypes.Type(value = ToProbe.ReleaseRefused.class, name = "release-refused")
})
public sealed interface ToProbe {
  /** Answer to hello: everything up to and including {@code receivedThrough} is committed. */
  record Welcome(int protocol, String bay, long receivedThrough) implements ToProbe {}

  /** Everything up to and including {@code through} is committed. */
  record Acknowledge(long through) implements ToProbe {}

  /** There is a gap: send again from this number on. */
  record Resend(long from) implements ToProbe {}

  /** Read what a drive reports about itself. Looks only. Repeats of a request are harmless. */
  record ReadPart(UUID requestId, String partKey) implements ToProbe {}

  /**
   * Start a run on a drive, or go on with it where it stopped. One that writes asks for a release
   * first ({@link ToServer.ReleaseAsked}). Repeats are harmless.
   *
   * @param gentle the drive is under suspicion: give up sooner
   * @param dataStatus of the data on it: the probe asks its own gate before a run that loads the
   *     drive
   * @param copy where a copy belongs and what is wanted of it; null for other runs
   */
  record StartRun(
      UUID requestId,
      String partKey,
      RunKind run,
      boolean gentle,
      DataStatus dataStatus,
      CopyOrder copy)
      implements ToProbe {}

  /** Answer to {@link ToServer.ReleaseAsked}. */
  record ReleaseGiven(Release release) implements ToProbe {}

  /**
   * The same, if it is locked by now.
   *
   * @param why in a sentence, and what opens it
   */
  record ReleaseRefused(UUID requestId, String nonce, String why) implements ToProbe {}

  /**
   * @param pause keep what is known and wait; else end it
   */
  record StopRun(UUID requestId, String partKey, RunKind run, boolean pause) implements ToProbe {}
}
