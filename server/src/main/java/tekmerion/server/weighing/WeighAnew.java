package tekmerion.server.weighing;

import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import tekmerion.server.job.Job;
import tekmerion.server.job.JobAspect;
import tekmerion.server.job.Jobs;
import tekmerion.server.job.Tell;
import tekmerion.server.transaction.Transactions;

/** Weighs jobs again for what was not done in them: other know-how, a reading in another job. */
@Service
public class WeighAnew {
  private static final Logger LOG = LoggerFactory.getLogger(WeighAnew.class);
  private final Jobs jobs;
  private final WeighingService weighing;
  private final Tell tell;
  private final Transactions inOneOfItsOwn;

  WeighAnew(
      Jobs jobs, WeighingService weighing, Tell tell, PlatformTransactionManager transactions) {
    this.jobs = jobs;
    this.weighing = weighing;
    this.tell = tell;
    inOneOfItsOwn = Transactions.ofTheirOwn(transactions);
  }

  public void allOpen() {
    jobs.findByEndedAtIsNullOrderByTakenInAt().forEach(job -> weigh(job.number()));
  }

  /**
   * Those that have a part in common with this job, once the present transaction is committed: what
   * a drive says in one job belongs to its trend in every other.
   */
  public void afterThis(Job job) {
    List<String> others = jobs.withPartsOf(job.id(), job.machine().id());
    if (others.isEmpty()) {
      return;
    }
    TransactionSynchronizationManager.registerSynchronization(
        new TransactionSynchronization() {
          @Override
          public void afterCommit() {
            others.forEach(WeighAnew.this::weigh);
          }
        });
  }

  private void weigh(String number) {
    try {
      inOneOfItsOwn.executeWithoutResult(
          status -> {
            Job job = jobs.named(number);
            weighing.reweigh(job);
            tell.changed(job, JobAspect.ALL);
          });
    } catch (OptimisticLockingFailureException e) {
      // Whoever changed the job in this moment had it weighed, by what is known now.
      LOG.info("job {} was changed while it was weighed anew", number);
    }
  }
}
