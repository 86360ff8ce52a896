package tekmerion.demo;

import java.sql.Timestamp;
import java.time.Instant;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/**
 * Ten years of a busy shop, for measuring: 100,000 past jobs and 300,000 parts, made by the
 * database itself. Deterministic: everything follows from the row's number.
 */
@Component
class LargeShop {
  private static final int JOBS = 100_000;
  private static final int MACHINES = 60_000;
  private static final int PARTS_EACH = 5;
  private final JdbcClient jdbc;

  LargeShop(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  void load(Instant now) {
    System.out.println("Filling the large shop: 100,000 jobs and 300,000 parts; some minutes.");
    Timestamp at = Timestamp.from(now);
    long customers = next("customer");
    run(
        "INSERT INTO customer (id, display_name, phone) SELECT :base + seq, CONCAT("
            + pick(
                "seq * 7919",
                "Brekke",
                "Haas",
                "Tavares",
                "Lind",
                "Moreau",
                "Okafor",
                "Sato",
                "Quist",
                "Varga",
                "Dunne",
                "Ferro",
                "Holm",
                "Ibarra",
                "Jansen",
                "Kovac",
                "Lobo")
            + ", ', ', "
            + pick(
                "seq * 104729",
                "Ana",
                "Bram",
                "Cleo",
                "Dag",
                "Elin",
                "Finn",
                "Gil",
                "Hana",
                "Ivo",
                "Jun",
                "Kaja",
                "Leo",
                "Mina",
                "Noor",
                "Oda",
                "Per")
            + ", ' ', seq), CONCAT('0', 200000 + seq) FROM "
            + upTo(40_000),
        customers,
        at);
    long machines = next("machine");
    run(
        "INSERT INTO machine (id, maker, model, serial, kind, serial_plain, serial_folded)"
            + " SELECT :base + seq, "
            + pick("seq", "Ostrel", "Tarnwick", "Norrvik", "Calder", "Juniper Bay")
            + ", "
            + pick(
                "seq * 31",
                "14 laptop",
                "17 laptop",
                "desk tower",
                "mini",
                "all-in-one 24",
                "13 laptop",
                "till 12",
                "15 studio")
            + ", CONCAT('M', LPAD(HEX(seq * 2654435761 % 4294967296), 8, '0')), 'MACHINE',"
            + " CONCAT('M', LPAD(HEX(seq * 2654435761 % 4294967296), 8, '0')), "
            + folded("CONCAT('M', LPAD(HEX(seq * 2654435761 % 4294967296), 8, '0'))")
            + " FROM "
            + upTo(MACHINES),
        machines,
        at);
    long parts = next("part");
    String serial =
        "CONCAT('P', LPAD(HEX(seq * 2246822519 % 4294967296), 8, '0'), CHAR(65 + seq % 26))";
    run(
        "INSERT INTO part (id, kind, model, serial, first_met, serial_plain, serial_folded)"
            + " SELECT :base + seq, IF(seq % 5 = 0, 'drive', IF(seq % 5 = 1, 'battery', 'memory')), "
            + pick(
                "seq * 17",
                "HELM-1000S",
                "HELM-2000S",
                "QUAY-240F",
                "QUAY-480F",
                "MOLE-8G",
                "MOLE-16G",
                "BUOY-52")
            + ", "
            + serial
            + ", :now - INTERVAL (seq % 3650) DAY, "
            + serial
            + ", "
            + folded(serial)
            + " FROM "
            + upTo(MACHINES * PARTS_EACH),
        parts,
        at);
    run(
        "INSERT INTO part_place (part_id, machine_id, part_key, slot, since) SELECT :base + seq, "
            + machines
            + " + 1 + (seq - 1) DIV "
            + PARTS_EACH
            + ", IF(seq % 5 = 0, 'drive-a', CONCAT('part-', seq % 5)),"
            + " IF(seq % 5 = 0, 'Drive A', CONCAT('Slot ', seq % 5)),"
            + " :now - INTERVAL (seq % 3650) DAY FROM "
            + upTo(MACHINES * PARTS_EACH),
        parts,
        at);
    long jobs = next("job");
    run(
        "INSERT INTO job (id, number, machine_id, customer_id, complaint, error_text, boot_stage,"
            + " taken_in_at, promised_at, headline, suspicion, version, stage, stage_since, data_status,"
            + " ended_at, ended_how) SELECT :base + seq, CONCAT('J-', 10000 + seq), "
            + machines
            + " + 1 + seq * 7 % "
            + MACHINES
            + ", "
            + customers
            + " + 1 + seq * 13 % 40000, "
            + pick(
                "seq * 5",
                "Does not turn on any more",
                "It is slow and hangs for minutes",
                "Freezes on the logo",
                "The battery dies quickly",
                "Stops with an error screen",
                "The outside drive asks to format itself",
                "It clicks and smells",
                "New drive is not recognised")
            + ", IF(seq % 9 = 0, CONCAT('FAULT_', HEX(seq)), NULL), 'desktop',"
            + " :now - INTERVAL (3650 * (1 - seq / "
            + JOBS
            + ")) DAY - INTERVAL 3 DAY, NULL,"
            + " 'Past job of the large shop', 'UNKNOWN', 0, 'HAND_BACK',"
            + " :now - INTERVAL (3650 * (1 - seq / "
            + JOBS
            + ")) DAY - INTERVAL 2 DAY, 'UNKNOWN',"
            + " :now - INTERVAL (3650 * (1 - seq / "
            + JOBS
            + ")) DAY - INTERVAL 1 DAY,"
            + " 'HANDED_BACK' FROM "
            + upTo(JOBS),
        jobs,
        at);
    // Forty of them are in the shop now.
    jdbc.sql(
            "UPDATE job SET ended_at = NULL, ended_how = NULL, stage = 'READ', taken_in_at ="
                + " ? - INTERVAL (id % 40) HOUR, stage_since = ? - INTERVAL (id % 40) HOUR,"
                + " promised_at = ? + INTERVAL (id % 70) HOUR WHERE id > ?")
        .params(at, at, at, jobs + JOBS - 40)
        .update();
    run(
        "INSERT INTO job_family (job_id, family_id, position) SELECT :base + seq, "
            + pick(
                "seq * 5",
                "dead",
                "slow",
                "mount-failure",
                "battery",
                "error-screen",
                "not-readable",
                "noise-heat",
                "not-seen")
            + ", 0 FROM "
            + upTo(JOBS),
        jobs,
        at);
    run(
        "INSERT INTO journal_entry (job_id, at, kind, title, detail, who) SELECT :base + 1 + (seq - 1) DIV 4,"
            + " :now - INTERVAL (3650 * (1 - seq / 4 / "
            + JOBS
            + ")) DAY, 'INTAKE',"
            + " ELT(1 + seq % 4, 'Taken in', 'Drive A read', 'Decided', 'Handed back'), '', 'Ines R.'"
            + " FROM "
            + upTo(4 * JOBS),
        jobs,
        at);
    run(
        "INSERT INTO stage_time (job_id, stage, minutes, ended_at) SELECT :base + seq,"
            + " ELT(1 + seq % 4, 'READ', 'DECIDE', 'WORK', 'HAND_BACK'),"
            + " 5 + seq * 7919 % 200, :now - INTERVAL (3650 * (1 - seq / "
            + JOBS
            + ")) DAY"
            + " FROM "
            + upTo(JOBS),
        jobs,
        at);
    run(
        "INSERT IGNORE INTO job_word (word, job_id) SELECT t.word, x.id FROM (SELECT j.id,"
            + " LOWER(TRIM(REGEXP_REPLACE(CONCAT_WS(' ', j.number, REPLACE(j.number, '-', ''),"
            + " c.display_name, m.maker, m.model, j.complaint, j.error_text), '[^[:alnum:]]+', ' ')))"
            + " AS words FROM job j JOIN machine m ON m.id = j.machine_id"
            + " JOIN customer c ON c.id = j.customer_id WHERE j.id > :base AND :now IS NOT NULL) x"
            + " JOIN JSON_TABLE(CONCAT('[\"', REPLACE(x.words, ' ', '\",\"'), '\"]'), '$[*]'"
            + " COLUMNS (word VARCHAR(40) PATH '$')) t ORDER BY 1, 2",
        jobs,
        at);
    // Every tail of three characters and more, of the machine and of its drive.
    run(
        "INSERT IGNORE INTO job_serial (tail, job_id) SELECT SUBSTR(m.serial_plain, n.seq), j.id"
            + " FROM "
            + upTo(7)
            + " JOIN machine m JOIN job j ON j.machine_id = m.id"
            + " WHERE j.id > :base AND :now IS NOT NULL ORDER BY 1, 2",
        jobs,
        at);
    run(
        "INSERT IGNORE INTO job_serial (tail, job_id) SELECT SUBSTR(p.serial_plain, n.seq), j.id"
            + " FROM "
            + upTo(8)
            + " JOIN part p JOIN part_place pl ON pl.part_id = p.id"
            + " JOIN job j ON j.machine_id = pl.machine_id"
            + " WHERE p.kind = 'drive' AND j.id > :base AND :now IS NOT NULL ORDER BY 1, 2",
        jobs,
        at);
    jdbc.sql("UPDATE counter SET next = ? WHERE name = 'job'").param(10_001 + JOBS).update();
  }

  /** The numbers from 1 on, up to a million: the server's own user may not read sequence tables. */
  private static String upTo(int most) {
    String digits = "(SELECT 0 d";
    for (int digit = 1; digit < 10; digit++) {
      digits += " UNION ALL SELECT " + digit;
    }
    digits += ")";
    StringBuilder sum = new StringBuilder("1");
    StringBuilder from = new StringBuilder();
    for (int place = 0, worth = 1; worth < most; place++, worth *= 10) {
      sum.append(" + %d * d%d.d".formatted(worth, place));
      from.append("%s%s d%d".formatted(place == 0 ? "" : ", ", digits, place));
    }
    return "(SELECT seq FROM (SELECT %s AS seq FROM %s) every WHERE seq <= %d) n"
        .formatted(sum, from, most);
  }

  private void run(String sql, long base, Timestamp now) {
    jdbc.sql(sql).param("base", base).param("now", now).update();
  }

  private long next(String table) {
    return jdbc.sql("SELECT COALESCE(MAX(id), 0) + 1000 FROM " + table).query(Long.class).single();
  }

  private static String pick(String number, String... choices) {
    return "ELT(1 + (%s) %% %d, '%s')"
        .formatted(number, choices.length, String.join("', '", choices));
  }

  private static String folded(String serial) {
    String sql = serial;
    String letters = "OQDILZSB";
    String digits = "00011258";
    for (int i = 0; i < letters.length(); i++) {
      sql = "REPLACE(%s, '%c', '%c')".formatted(sql, letters.charAt(i), digits.charAt(i));
    }
    return sql;
  }
}
