package tekmerion.link;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import java.util.regex.Pattern;

/** What a probe sends. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "type")
@JsonSubTypes({
  @JsonSubTypes.Type(value = ToServer.Hello.class, name = "hello"),
  @JsonSubTypes.Type(value = ToServer.Event.class, name = "event"),
  @JsonSubTypes.Type(value = ToServer.Progress.class, name = "progress"),
  @JsonSubTypes.Type(value = ToServer.RunProgress.class, name = "run-progress"),
  @JsonSubTypes.Type(value = ToServer.RunWaits.class, name = "run-waits"),
  @JsonSubTypes.Type(value = ToServer.MachineNow.class, name = "machine-now"),
  @JsonSubTypes.Type(value = ToServer.CopiesHeld.class, name = "copies-held"),
  @JsonSubTypes.Type(value = ToServer.ReleaseAsked.class, name = "release-asked")
})
public sealed interface ToServer {
  /** First message on every connection. */
  record Hello(int protocol, String probeVersion, MachineNote machine, long lastNumber)
      implements ToServer {
    private static final int MAX_VERSION_CHARS = 40;

    public Hello {
      Objects.requireNonNull(machine, "machine");
      if (probeVersion == null || probeVersion.length() > MAX_VERSION_CHARS) {
        throw new IllegalArgumentException("probeVersion is missing or too long");
      }
    }
  }

  /**
   * One entry of the outbox.
   *
   * @param number counts up from 1 without gaps for the life of the probe
   */
  record Event(long number, LinkEvent event) implements ToServer {
    public Event {
      Objects.requireNonNull(event, "event");
      Objects.requireNonNull(event.requestId(), "requestId");
    }
  }

  /** How far a command has come; not kept, may be lost. */
  record Progress(UUID requestId, int done, int of, String words) implements ToServer {
    private static final int MAX_CHARS = 200;

    public Progress {
      Objects.requireNonNull(requestId, "requestId");
      if (words == null || words.length() > MAX_CHARS || done < 0 || of < 1) {
        throw new IllegalArgumentException("progress out of bounds");
      }
    }
  }

  /**
   * The probe is about to write and asks whether it still may. Not kept.
   *
   * @param nonce random, of this question only; 32 hex digits
   * @param drive as it tells of itself at this moment; of copies that are to be erased, the drive
   *     that they are of
   */
  record ReleaseAsked(UUID requestId, String nonce, DriveSeen drive) implements ToServer {
    private static final Pattern NONCE = Pattern.compile("[0-9a-f]{32}");

    public ReleaseAsked {
      Objects.requireNonNull(requestId, "requestId");
      Objects.requireNonNull(drive, "drive");
      if (nonce == null || !NONCE.matcher(nonce).matches()) {
        throw new IllegalArgumentException("the nonce is not 32 hex digits");
      }
    }
  }

  /**
   * A run goes on by itself when what it waits for is there. Not kept: its next progress says that
   * it goes on.
   *
   * @param why in a sentence
   */
  record RunWaits(UUID requestId, String why) implements ToServer {
    private static final int MAX_CHARS = 300;

    public RunWaits {
      Objects.requireNonNull(requestId, "requestId");
      if (why == null || why.isBlank() || why.length() > MAX_CHARS) {
        throw new IllegalArgumentException("why is missing or too long");
      }
    }
  }

  /** Drives came or went since the hello. */
  record MachineNow(MachineNote machine) implements ToServer {
    public MachineNow {
      Objects.requireNonNull(machine, "machine");
    }
  }

  /** All copies that lie with the probe, told every half minute. Not kept. */
  record CopiesHeld(List<HeldCopy> copies) implements ToServer {
    private static final int MAX = 5_000;

    public CopiesHeld {
      copies = List.copyOf(copies);
      if (copies.size() > MAX) {
        throw new IllegalArgumentException("too many copies");
      }
    }
  }

  /**
   * Where a run is. Not kept, may be lost: the next one tells it whole again.
   *
   * @param share 0 to 1
   * @param secondsLeft negative while the end is not known
   * @param secondsSpread half of the range of the end
   * @param atByte where it reads; negative if it does not go by position
   * @param result what it found so far; null if nothing
   */
  record RunProgress(
      UUID requestId,
      double share,
      double secondsLeft,
      double secondsSpread,
      long atByte,
      RunResult result)
      implements ToServer {
    public RunProgress {
      Objects.requireNonNull(requestId, "requestId");
      if (!(share >= 0 && share <= 1)
          || !Double.isFinite(secondsLeft)
          || !(secondsSpread >= 0 && Double.isFinite(secondsSpread))) {
        throw new IllegalArgumentException("share out of bounds");
      }
    }

    /** Of numbers that a drive or an estimate told: what cannot be is told as not known. */
    public static RunProgress of(
        UUID requestId,
        double share,
        double secondsLeft,
        double secondsSpread,
        long atByte,
        RunResult result) {
      boolean known = Double.isFinite(secondsLeft) && Double.isFinite(secondsSpread);
      return new RunProgress(
          requestId,
          share >= 0 ? Math.min(1, share) : 0, // also of what is no number
          known ? secondsLeft : -1,
          known ? Math.max(0, secondsSpread) : 0,
          atByte,
          result);
    }
  }
}
