package tekmerion.server.editing;

import static tekmerion.words.Words.say;

import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Service;
import tekmerion.core.knowhow.Edit;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.knowhow.Mistakes;
import tekmerion.server.audit.Audit;
import tekmerion.server.job.Tell;
import tekmerion.server.knowhow.KnowHowChange;
import tekmerion.server.knowhow.KnowHowChanges;
import tekmerion.server.knowhow.ShopKnowHow;
import tekmerion.server.person.Person;
import tekmerion.server.problem.Refusal;
import tekmerion.server.transaction.Transactions;
import tekmerion.server.weighing.WeighAnew;

/** Changes the know-how: checked as a whole, kept, in force, and every open job weighed by it. */
@Service
public class KnowHowEdits {
  private final KnowHowChanges changes;
  private final ShopKnowHow knowHow;
  private final WeighAnew weighAnew;
  private final Tell tell;
  private final Audit audit;
  private final Transactions inOne;

  KnowHowEdits(
      KnowHowChanges changes,
      ShopKnowHow knowHow,
      WeighAnew weighAnew,
      Tell tell,
      Audit audit,
      Transactions inOne) {
    this.changes = changes;
    this.knowHow = knowHow;
    this.weighAnew = weighAnew;
    this.tell = tell;
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
    all.add(new Edit.Noted(change.edit(), say("editing.looked-at-not-kept")));
    try {
      return KnowHow.shipped().with(all);
    } catch (Mistakes e) {
      throw Refusal.badRequest(
          say("editing.the-know-how-would-not-hold", "all", String.join("; ", e.all())),
          say("editing.change-what-is-named-and-try"));
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
          tell.knowHow();
        });
    knowHow.reload();
    weighAnew.allOpen();
  }
}
