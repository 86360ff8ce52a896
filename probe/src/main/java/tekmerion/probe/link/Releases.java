package tekmerion.probe.link;

import static tekmerion.words.Words.say;

import java.io.IOException;
import java.security.SecureRandom;
import java.util.HexFormat;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.Consumer;
import java.util.function.LongSupplier;
import java.util.function.Supplier;
import tekmerion.core.files.InUse;
import tekmerion.core.port.ByteSource;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.core.port.ReadEndedException;
import tekmerion.link.DriveSeen;
import tekmerion.link.Release;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;

/**
 * Asks the server for a release at the moment of writing, and checks with the probe's own eyes what
 * the server checked before: which drive is there now, how large it is, whether it may be written
 * to at all. Without a good answer nothing is written.
 */
final class Releases {
  private static final long ANSWER_SECONDS = 10;
  private static final int NONCE_BYTES = 16;

  private final Supplier<byte[]> key;
  private final Consumer<ToServer> tell;
  private final LongSupplier nanoTime;
  private final SecureRandom random = new SecureRandom();
  private final Map<String, CompletableFuture<ToProbe>> asked = new ConcurrentHashMap<>();

  /**
   * @param key of this probe and the server; empty if it is not enrolled
   * @param nanoTime monotonic; goes on while the program stands still
   */
  Releases(Supplier<byte[]> key, Consumer<ToServer> tell, LongSupplier nanoTime) {
    this.key = key;
    this.tell = tell;
    this.nanoTime = nanoTime;
  }

  void answered(ToProbe.ReleaseGiven given) {
    if (given.release() != null && given.release().nonce() != null) {
      complete(given.release().nonce(), given);
    }
  }

  void answered(ToProbe.ReleaseRefused refused) {
    if (refused.nonce() != null) {
      complete(refused.nonce(), refused);
    }
  }

  private void complete(String nonce, ToProbe answer) {
    CompletableFuture<ToProbe> waiting = asked.remove(nonce);
    if (waiting != null) {
      waiting.complete(answer);
    }
  }

  /** To write to a drive. */
  Lease toWrite(ToProbe.StartRun command, MachineUnderTest.Drive drive)
      throws NoReleaseException, InterruptedException {
    return new Lease(command, () -> thisDrive(drive), () -> surveyed(drive));
  }

  /**
   * To erase copies.
   *
   * @param of the drive that they are of
   */
  Lease toEraseCopies(ToProbe.StartRun command, DriveSeen of)
      throws NoReleaseException, InterruptedException {
    return new Lease(command, () -> of, () -> null);
  }

  private interface Content {
    String sha() throws NoReleaseException;
  }

  /** What is on it now, as a survey finds it. */
  private static String surveyed(MachineUnderTest.Drive drive) throws NoReleaseException {
    try (ByteSource bytes = drive.bytes().orElseThrow().open()) {
      return DataNotes.of(InUse.of(bytes)).contentSha();
    } catch (IOException | ReadEndedException e) {
      throw refused(say("probe.what-is-on-it-cannot-be-read", "why", Why.of(e)));
    }
  }

  private interface Which {
    DriveSeen now() throws NoReleaseException;
  }

  private static DriveSeen thisDrive(MachineUnderTest.Drive drive) throws NoReleaseException {
    if (drive.writer().isEmpty() || drive.bytes().isEmpty()) {
      throw refused(say("probe.never-written-to-from-here"));
    }
    Optional<String> offLimits = drive.writer().get().offLimits();
    if (offLimits.isPresent()) {
      throw refused(offLimits.get());
    }
    DriveSeen seen =
        WhoIsIt.seen(drive)
            .orElseThrow(() -> refused(say("probe.the-drive-does-not-tell-who-it-is")));
    try (ByteSource bytes = drive.bytes().orElseThrow().open()) {
      if (bytes.sizeBytes() != seen.sizeBytes()) {
        throw refused(say("probe.another-size-than-it-tells"));
      }
    } catch (IOException e) {
      throw refused(say("probe.it-cannot-be-opened", "why", Why.of(e)));
    }
    return seen;
  }

  private static NoReleaseException refused(String why) {
    return new NoReleaseException(why, false);
  }

  /** A release that is renewed while the writing goes on. */
  final class Lease {
    private final ToProbe.StartRun command;
    private final Which which;
    private final DriveSeen drive;
    private final Content content;
    private String expectedContent;
    private long askedAt;
    private long validNanos;

    private Lease(ToProbe.StartRun command, Which which, Content content)
        throws NoReleaseException, InterruptedException {
      this.command = command;
      this.which = which;
      this.content = content;
      this.drive = which.now();
      renew();
      mustHoldWhatWasSurveyed();
    }

    /** Once, before the first write: afterwards it is our own writing that changes it. */
    private void mustHoldWhatWasSurveyed() throws NoReleaseException, InterruptedException {
      if (expectedContent == null) {
        return;
      }
      if (!expectedContent.equals(content.sha())) {
        throw refused(say("probe.not-what-was-surveyed"));
      }
      mustHold(); // looking may have taken longer than the release holds
    }

    DriveSeen drive() {
      return drive;
    }

    /**
     * To be called before every write.
     *
     * @throws NoReleaseException if it has run out and could not be renewed, or another drive is
     *     there by now
     */
    void mustHold() throws NoReleaseException, InterruptedException {
      long age = nanoTime.getAsLong() - askedAt;
      if (age < validNanos / 2) {
        return;
      }
      try {
        if (!which.now().equals(drive)) {
          throw refused(say("probe.another-drive-is-there-now"));
        }
        renew();
      } catch (NoReleaseException e) {
        boolean stillHolds = e.mayCome() && nanoTime.getAsLong() - askedAt < validNanos;
        if (!stillHolds) {
          throw e;
        }
      }
    }

    private void renew() throws NoReleaseException, InterruptedException {
      byte[] nonceBytes = new byte[NONCE_BYTES];
      random.nextBytes(nonceBytes);
      String nonce = HexFormat.of().formatHex(nonceBytes);
      CompletableFuture<ToProbe> answer = new CompletableFuture<>();
      asked.put(nonce, answer);
      long now = nanoTime.getAsLong();
      tell.accept(new ToServer.ReleaseAsked(command.requestId(), nonce, drive));
      try {
        take(answer.get(ANSWER_SECONDS, TimeUnit.SECONDS), nonce, now);
      } catch (TimeoutException | ExecutionException e) {
        throw new NoReleaseException(say("probe.the-server-did-not-answer"), true);
      } finally {
        asked.remove(nonce);
      }
    }

    private void take(ToProbe answer, String nonce, long askedNow) throws NoReleaseException {
      if (answer instanceof ToProbe.ReleaseRefused refused) {
        throw refused(String.valueOf(refused.why()));
      }
      Release release = ((ToProbe.ReleaseGiven) answer).release();
      if (!release.holds(key.get())) {
        throw refused(say("probe.no-release-for-it"));
      }
      boolean forThis =
          command.requestId().equals(release.run())
              && release.kind() == command.run()
              && command.partKey().equals(release.partKey())
              && drive.equals(release.drive())
              && nonce.equals(release.nonce());
      if (!forThis) {
        throw refused(say("probe.the-release-is-for-something-else"));
      }
      if (command.run().effects().invasiveness().endangersData()
          && !(release.status() != null && release.status().allowsWriting())) {
        throw refused(say("probe.the-data-is-not-safe"));
      }
      expectedContent = release.content();
      askedAt = askedNow;
      validNanos =
          TimeUnit.MILLISECONDS.toNanos(
              Math.max(0, Math.min(release.validForMs(), Release.MAX_VALID_MS)));
    }
  }
}
