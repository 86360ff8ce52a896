package tekmerion.server.exchange;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * A table of which rows belong to a job.
 *
 * @param name of the table, which is also its name in the archive
 * @param rows condition with {@code :job} and {@code :machine}
 * @param order so that the same rows come in the same order wherever they are
 * @param left columns that stay here: what is the installation's own, or follows from the rest
 * @param refs table that a column points into, by column, beside those of {@link #REFS}
 */
record ArchiveTable(
    String name, String rows, String order, Set<String> left, Map<String, String> refs) {
  private static final String PARTS =
      "(SELECT part_id FROM part_place WHERE machine_id = :machine UNION SELECT part_id FROM reading"
          + " WHERE job_id = :job UNION SELECT part_id FROM run WHERE job_id = :job AND part_id"
          + " IS NOT NULL)";
  private static final String JOBS = "job_id = :job";

  /** What columns of these names point into, in any table. */
  static final Map<String, String> REFS =
      Map.of(
          "job_id", "job",
          "machine_id", "machine",
          "customer_id", "customer",
          "part_id", "part",
          "decision_id", "decision",
          "estimate_id", "estimate",
          "probe_id", "probe");

  /** Columns that name a person of the installation. */
  static final Set<String> PEOPLE =
      Set.of(
          "asked_by",
          "set_by",
          "made_by",
          "signed_by",
          "tried_by",
          "opened_by",
          "closed_by",
          "added_by",
          "created_by");

  /** In an order in which each finds what it points to. */
  static final List<ArchiveTable> ALL =
      List.of(
          of("customer", "id = (SELECT customer_id FROM job WHERE id = :job)", "id"),
          of("machine", "id = :machine", "id"),
          of("part", "id IN " + PARTS, "id").without("same_as"),
          of("part_place", "machine_id = :machine AND part_id IN " + PARTS, "id"),
          of(
                  "probe",
                  "id IN (SELECT probe_id FROM reading WHERE job_id = :job UNION SELECT probe_id FROM"
                      + " run WHERE job_id = :job)",
                  "enrolled_at, id")
              .without(
                  "bay_id",
                  "outbox_id",
                  "token_hash",
                  "revoked_at",
                  "last_seen_at",
                  "online",
                  "received_through"),
          of("job", "id = :job", "id").without("holder_id", "data_status", "imported_at"),
          of("job_family", JOBS, "position"),
          of("intake", JOBS, "id"),
          of("job_own_move", JOBS, "move_id"),
          of("job_finding", JOBS, "id"),
          of("job_change", JOBS, "id").without("open_job"),
          of("job_move", JOBS, "id"),
          of("job_wait", JOBS, "id"),
          of("stage_time", JOBS, "ended_at, stage"),
          of("data_status_entry", JOBS, "id").without("from_elsewhere"),
          of("decision", JOBS, "id").without("from_elsewhere"),
          of("estimate", JOBS, "id"),
          of("approval", JOBS, "id").without("from_elsewhere"),
          of("part_supply", JOBS, "id").without("stock_id"),
          of("old_part", JOBS, "id"),
          of("hand_back", JOBS, "id"),
          of("job_trial", JOBS, "id"),
          of("proof_waiver", JOBS, "id"),
          of("journal_entry", JOBS, "at, id"),
          of("photo", JOBS, "added_at, id"),
          of("reading", JOBS, "taken_at, id"),
          of(
              "reading_page",
              "reading_id IN (SELECT id FROM reading WHERE job_id = :job)",
              "reading_id, kind"),
          of("run", JOBS, "asked_at, id").without("named_drive", "from_elsewhere"),
          of("run_result", "run_id IN (SELECT id FROM run WHERE job_id = :job)", "run_id"),
          of("isolation_setup", JOBS, "id"),
          of(
                  "isolation_start",
                  "setup_id IN (SELECT id FROM isolation_setup WHERE job_id = :job)",
                  "id")
              .with("setup_id", "isolation_setup")
              .with("takes_back", "isolation_start"));

  private static ArchiveTable of(String name, String rows, String order) {
    return new ArchiveTable(name, rows, order, Set.of(), Map.of());
  }

  private ArchiveTable without(String... columns) {
    return new ArchiveTable(name, rows, order, Set.of(columns), refs);
  }

  private ArchiveTable with(String column, String table) {
    Map<String, String> more = new HashMap<>(refs);
    more.put(column, table);
    return new ArchiveTable(name, rows, order, left, Map.copyOf(more));
  }

  /** Table that a column points into; null if it points nowhere. */
  String pointsInto(String column) {
    return refs.getOrDefault(column, REFS.get(column));
  }
}
