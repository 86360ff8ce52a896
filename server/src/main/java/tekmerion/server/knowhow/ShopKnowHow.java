package tekmerion.server.knowhow;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;
import tekmerion.core.knowhow.Edit;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.knowhow.Mistakes;
import tekmerion.words.Speaking;
import tekmerion.words.Words;

/**
 * What ships, with what the shop changed. A change by another server is seen within a second. One
 * that no longer holds together, after a new version of the product say, is left out and told.
 */
@Component
public class ShopKnowHow {
  private static final Logger LOG = LoggerFactory.getLogger(ShopKnowHow.class);
  private final KnowHowChanges changes;
  private volatile InForce state;

  /**
   * What is weighed by at a moment; its parts belong together.
   *
   * @param edits those that hold together
   * @param newest id of the last change in it
   * @param leftOut why a change is not in force, by its id
   * @param made the know-how with the edits, in each language that it was asked for in
   */
  public record InForce(
      List<Edit.Noted> edits, long newest, Map<Long, String> leftOut, Map<Speaking, KnowHow> made) {
    InForce(List<Edit.Noted> edits, long newest, Map<Long, String> leftOut) {
      this(edits, newest, leftOut, new ConcurrentHashMap<>());
    }

    /** In the language that is spoken. */
    public KnowHow knowHow() {
      return made.computeIfAbsent(Words.speaking(), speaking -> KnowHow.shipped().with(edits));
    }
  }

  ShopKnowHow(KnowHowChanges changes) {
    this.changes = changes;
    reload();
  }

  /** What is weighed by now; ask once for what has to hold together. */
  public KnowHow now() {
    return state.knowHow();
  }

  /** With every change that is kept by now, whichever server kept it. */
  public InForce newest() {
    if (changes.newest() != state.newest()) {
      reload();
    }
    return state;
  }

  /** Why changes are not in force, by their ids. */
  public Map<Long, String> leftOut() {
    return state.leftOut();
  }

  /** After a change. */
  public final void reload() {
    List<KnowHowChanges.Kept> all = changes.all();
    long newest = all.isEmpty() ? 0 : all.get(all.size() - 1).id();
    try {
      List<Edit.Noted> edits = all.stream().map(KnowHowChanges.Kept::noted).toList();
      KnowHow.shipped().with(edits);
      state = new InForce(edits, newest, Map.of());
    } catch (Mistakes e) {
      state = oneByOne(all, newest);
    }
  }

  private static InForce oneByOne(List<KnowHowChanges.Kept> all, long newest) {
    List<Edit.Noted> good = new ArrayList<>();
    Map<Long, String> leftOut = new HashMap<>();
    for (KnowHowChanges.Kept change : all) {
      good.add(change.noted());
      try {
        KnowHow.shipped().with(good);
      } catch (Mistakes e) {
        good.remove(good.size() - 1);
        leftOut.put(change.id(), String.join("; ", e.all()));
        LOG.warn("change {} of the know-how is not in force: {}", change.id(), e.getMessage());
      }
    }
    return new InForce(good, newest, Map.copyOf(leftOut));
  }

  @Scheduled(fixedDelay = 1000)
  void lookForOthers() {
    try {
      newest();
    } catch (DataAccessException | TransactionException e) {
      LOG.warn("changes of the know-how wait for the database: {}", e.getMessage());
    }
  }
}
