package tekmerion.server.permit;

import static tekmerion.words.Words.say;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.permit.DriveState;
import tekmerion.core.permit.Holding;
import tekmerion.core.permit.HoldingWords;
import tekmerion.core.permit.PartIdentity;
import tekmerion.core.permit.Permissions;
import tekmerion.core.permit.SignerName;
import tekmerion.core.permit.Waiver;
import tekmerion.core.permit.WaiverScope;
import tekmerion.server.audit.Audit;
import tekmerion.server.job.Job;
import tekmerion.server.job.JobLock;
import tekmerion.server.job.Jobs;
import tekmerion.server.job.JournalEntry;
import tekmerion.server.job.Tell;
import tekmerion.server.person.Person;
import tekmerion.server.problem.Refusal;
import tekmerion.server.run.CopiesOfJob;
import tekmerion.words.Words;

/**
 * Takes the owner's signature that data may go. It names drives, is the customer's, and counts when
 * it was drawn on the screen or a second person of the shop stands for it. It can be taken back
 * until the writing begins, and even then what is not written yet stays.
 */
@Service
public class Signing {
  private final JobLock lock;
  private final Jobs jobs;
  private final JobPermissions permissions;
  private final Waivers waivers;
  private final CopiesOfJob copies;
  private final DataStatuses statuses;
  private final Withdrawal withdrawal;
  private final Audit audit;
  private final Tell tell;

  /** One drive of what is signed. */
  public record Signed(String partKey, WaiverScope scope, List<Holding> holdings) {}

  Signing(
      JobLock lock,
      Jobs jobs,
      JobPermissions permissions,
      Waivers waivers,
      CopiesOfJob copies,
      DataStatuses statuses,
      Withdrawal withdrawal,
      Audit audit,
      Tell tell) {
    this.lock = lock;
    this.jobs = jobs;
    this.permissions = permissions;
    this.waivers = waivers;
    this.copies = copies;
    this.statuses = statuses;
    this.withdrawal = withdrawal;
    this.audit = audit;
    this.tell = tell;
  }

  /**
   * @param signature null if the owner did not sign on this screen
   * @throws Refusal 400 if the name is not the customer's, a drive has not told who it is, or what
   *     is signed for is not what is there
   */
  @Transactional
  public void sign(
      String number,
      long version,
      String signer,
      String signature,
      List<Signed> drives,
      Person by) {
    Job job = forChange(number, version, drives);
    if (!SignerName.isOf(signer, job.customer().displayName())) {
      throw Refusal.badRequest(
          say("permit.is-not-the-customer-of-this", "signer", signer.strip()),
          say("permit.have-the-customer-sign-or-correct"));
    }
    Permissions permitted = permissions.of(job);
    for (Signed signed : drives) {
      DriveState drive = permitted.drive(signed.partKey());
      PartIdentity identity =
          identity(job, signed, drive)
              .orElseThrow(
                  () ->
                      Refusal.badRequest(
                          say("permit.has-not-told-who-it-is", "partKey", signed.partKey()),
                          say("permit.have-it-read-first")));
      if (!drive.open().containsAll(signed.holdings())) {
        throw Refusal.conflict(
            say("permit.what-is-on-the-drive-is"), say("permit.load-the-job-again"));
      }
      Waiver waiver = waiver(identity, signed);
      String wording = wording(waiver);
      long id = waivers.keep(job.id(), waiver, wording, signer.strip(), signature, by.id());
      audit.of(Audit.Kind.WAIVER_RECORDED, by, number, "%d: %s".formatted(id, wording));
      tell.journal(
          job,
          JournalEntry.Kind.DATA_STATUS,
          () ->
              signature == null
                  ? say("permit.owner-s-word-written-down")
                  : say("permit.signed-by-the-owner"),
          () ->
              "%s: “%s”%s"
                  .formatted(
                      signer.strip(),
                      wording,
                      signature == null ? say("permit.a-second-person-has-to-confirm") : ""),
          by);
    }
    statuses.settle(
        job, Words.kept(() -> say("permit.signed-by-the-owner-2")), by.id(), by.displayName());
  }

  /** Of a copy the drive that it is of, wherever that is by now. */
  private Optional<PartIdentity> identity(Job job, Signed signed, DriveState there) {
    return signed.scope() == WaiverScope.COPY_RETURNED
        ? copies.kept(job.id(), signed.partKey()).flatMap(run -> run.ending().drive())
        : there.identity();
  }

  private Job forChange(String number, long version, List<Signed> drives) {
    boolean afterTheEnd = drives.stream().allMatch(d -> d.scope() == WaiverScope.COPY_RETURNED);
    Job job = jobs.named(number);
    // That the data is back with its owner is signed when the machine is; the job is ended by then.
    return afterTheEnd && job.endedAt() != null ? job : lock.forChange(number, version);
  }

  private static Waiver waiver(PartIdentity drive, Signed signed) {
    try {
      return new Waiver(drive, signed.scope(), signed.holdings());
    } catch (IllegalArgumentException e) {
      throw Refusal.badRequest(
          say("permit.it-does-not-say-what-is"), say("permit.choose-what-may-go"));
    }
  }

  /** What the owner reads; kept with the signature. */
  static String wording(Waiver waiver) {
    PartIdentity d = waiver.drive();
    String drive =
        String.format(
            Locale.ROOT, "%s, serial %s (%.0f GB)", d.model(), d.serial(), d.sizeBytes() / 1e9);
    return switch (waiver.scope()) {
      case ALL_DATA -> say("permit.i-do-not-need-the-data", "drive", drive);
      case HOLDINGS ->
          say(
              "permit.on-the-drive-i-do-not",
              "drive",
              drive,
              "holdings",
              waiver.holdings().stream().map(HoldingWords::of).collect(Collectors.joining("; ")));
      case COPY_RETURNED -> say("permit.i-have-the-data-of-the", "drive", drive);
    };
  }

  /**
   * @throws Refusal 403 if it is whoever wrote it down, 409 if it was revoked or is confirmed
   */
  @Transactional
  public void confirm(String number, long version, long id, Person by) {
    Job job = lock.forChange(number, version);
    Waivers.Kept kept = kept(job, id);
    if (kept.recordedById() == by.id()) {
      throw Refusal.forbidden(
          say("permit.you-wrote-it-down-yourself-a"), say("permit.ask-a-colleague-who-heard-it"));
    }
    if (kept.revokedAt() != null || kept.isInForce()) {
      throw Refusal.notPossibleNow(
          say("permit.there-is-nothing-to-confirm"), say("permit.load-the-job-again"));
    }
    waivers.step(id, Waivers.Step.CONFIRMED, by.id());
    audit.of(Audit.Kind.WAIVER_CONFIRMED, by, number, "%d".formatted(id));
    tell.journal(
        job,
        JournalEntry.Kind.DATA_STATUS,
        () -> say("permit.owner-s-word-confirmed"),
        () -> say("words.quoted", "text", kept.wording()),
        by);
    statuses.settle(
        job,
        Words.kept(() -> say("permit.confirmed-by-a-second-person")),
        by.id(),
        by.displayName());
  }

  /** What is being written by it stops within seconds. */
  @Transactional
  public void revoke(String number, long version, long id, Person by) {
    Job job = lock.forChange(number, version);
    Waivers.Kept kept = kept(job, id);
    if (kept.revokedAt() != null) {
      throw Refusal.notPossibleNow(
          say("permit.it-is-taken-back-already"), say("permit.load-the-job-again"));
    }
    waivers.step(id, Waivers.Step.REVOKED, by.id());
    audit.of(Audit.Kind.WAIVER_REVOKED, by, number, "%d".formatted(id));
    tell.journal(
        job,
        JournalEntry.Kind.DATA_STATUS,
        () -> say("permit.owner-s-word-taken-back"),
        () -> say("words.quoted", "text", kept.wording()),
        by);
    statuses.settle(job, Words.kept(() -> say("permit.taken-back")), by.id(), by.displayName());
    withdrawal.check(job);
  }

  private Waivers.Kept kept(Job job, long id) {
    return waivers
        .find(id)
        .filter(w -> w.jobId() == job.id())
        .orElseThrow(() -> Refusal.notFound(say("permit.there-is-no-such-signature-in")));
  }
}
