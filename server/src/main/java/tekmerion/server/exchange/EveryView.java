package tekmerion.server.exchange;

import static tekmerion.words.Words.say;

import jakarta.persistence.EntityManager;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import tekmerion.server.job.Shown;
import tekmerion.server.problem.Refusal;
import tekmerion.server.transaction.DatabaseGone;

/** Every view of a job, asked whether it can show one that came from outside. */
@Service
class EveryView {
  private static final Logger LOG = LoggerFactory.getLogger(EveryView.class);
  private final EntityManager entities;
  private final List<Shown> views;

  EveryView(EntityManager entities, List<Shown> views) {
    this.entities = entities;
    this.views = views;
  }

  /**
   * @throws Refusal 400 if one cannot
   */
  void mustShow(String number) {
    entities.flush();
    entities.clear();
    for (Shown view : views) {
      try {
        view.mustShow(number);
      } catch (RuntimeException e) {
        if (DatabaseGone.isBehind(e)) {
          throw e;
        }
        LOG.info("an archive was refused: {} cannot show it", view.getClass().getSimpleName(), e);
        throw ArchiveFiles.unfit(say("exchange.it-does-not-hold-together"));
      }
    }
  }
}
