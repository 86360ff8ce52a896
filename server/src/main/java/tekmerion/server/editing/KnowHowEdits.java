package tekmerion.server.editing;

import java.util.ArrayList;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.stereotype.Service;
import tekmerion.core.knowhow.Edit;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.knowhow.Mistakes;
import tekmerion.server.audit.Audit;
import tekmerion.server.job.Job;
import tekmerion.server.job.Jobs;
import tekmerion.server.knowhow.KnowHowChange;
import tekmerion.server.knowhow.KnowHowChanges;
import tekmerion.server.knowhow.ShopKnowHow;
import tekmerion.server.live.LiveEvents;
import tekmerion.server.person.Person;
import tekmerion.server.problem.Refusal;
import tekmerion.server.transaction.Transactions;
import tekmerion.server.weighing.WeighingService;

/** Changes the know-how: checked as a whole, kept, in force, and every open job weighed by it. */
@Service
public class KnowHowEdits {
  private static final Logger LOG = LoggerFactory.getLogger(KnowHowEdits.class);
  private final KnowHowChanges changes;
  private final ShopKnowHow knowHow;
  private final Jobs jobs;
  private final WeighingService weighing;
  private final LiveEvents live;
  private final Audit audit;
  private final Transactions inOne;

  KnowHowEdits(
      KnowHowChanges changes,
      ShopKnowHow knowHow,
      Jobs jobs,
      WeighingService weighing,
      LiveEvents live,
      Audit audit,
      Transactions inOne) {
    this.changes = changes;
    this.knowHow = knowHow;
    this.jobs = jobs;
    this.weighing = weighing;
    this.live = live;
    this.audit = audit;
    this.inOne = inOne;
  }

  /**
   * What there would be with the change.
   *
   * @throws Refusal 400 with every mistake if it would not hold together
   */
  KnowHow with(KnowHowChange change) {
    List<Edit.Noted> all = new ArrayList<>();
    changes.all().stream()
        .filter(c -> !knowHow.leftOut().containsKey(c.id()))
        .forEach(c -> all.add(c.noted()));
    all.add(new Edit.Noted(change.edit(), "looked at, not kept"));
    try {
      return KnowHow.shipped().with(all);
    } catch (Mistakes e) {
      throw Refusal.badRequest(
          "The know-how would not hold together: %s.".formatted(String.join("; ", e.all())),
          "Change what is named and try again.");
    }
  }

  /**
   * @param before version of the entry that the person saw
   * @throws Refusal 400 as {@link #with}; 409 if the entry has another version by now
   */
  public void keep(KnowHowChange change, int before, String reason, Person by) {
    with(change);
    inOne.executeWithoutResult(
        status -> {
          changes.keep(change, before, reason, by);
          audit.of(Audit.Kind.KNOW_HOW_CHANGED, by, change.what() + " " + change.id(), reason);
          live.changed("know-how");
        });
    knowHow.reload();
    jobs.findByEndedAtIsNullOrderByTakenInAt().forEach(job -> weighAnew(job.number()));
  }

  private void weighAnew(String number) {
    try {
      inOne.executeWithoutResult(
          status -> {
            Job job = jobs.findByNumber(number).orElseThrow();
            String before = job.headline();
            weighing.reweigh(job);
            if (!job.headline().equals(before)) {
              live.changed("job:" + number);
              live.changed("floor");
            }
          });
    } catch (OptimisticLockingFailureException e) {
      // Whoever changed the job in this moment had it weighed, by the new table.
      LOG.info("job {} was changed while it was weighed anew", number);
    }
  }
}
