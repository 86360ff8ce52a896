package tekmerion.demo;

import static tekmerion.words.Words.say;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tekmerion.core.drive.DriveIdentity;
import tekmerion.core.drive.PartReading;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;
import tekmerion.link.RunKind;
import tekmerion.server.evidence.OtherParts;
import tekmerion.server.evidence.PastReadings;
import tekmerion.server.job.Job;
import tekmerion.server.job.Journal;
import tekmerion.server.job.JournalEntry;
import tekmerion.server.part.Part;
import tekmerion.server.part.PartService;
import tekmerion.sim.SimMachines;
import tekmerion.words.Words;

/** Readings of before this server ran: they came from a probe that is long revoked. */
@Component
class BenchReadings {
  private static final String PROBE_VERSION = "0.1.0";
  private static final String DRIVE = "drive-a";

  private final PartService parts;
  private final OtherParts others;
  private final PastReadings readings;
  private final Journal journal;
  private final JdbcClient jdbc;
  private final Clock clock;
  private UUID probe;

  BenchReadings(
      PartService parts,
      OtherParts others,
      PastReadings readings,
      Journal journal,
      JdbcClient jdbc,
      Clock clock) {
    this.parts = parts;
    this.others = others;
    this.readings = readings;
    this.journal = journal;
    this.jdbc = jdbc;
    this.clock = clock;
  }

  /** Drive A of a simulated machine, as it answers now. */
  void readNow(Job job, String machine) {
    MachineUnderTest.Drive drive =
        new SimMachines(clock).open(machine).orElseThrow().drives().get(0);
    Map<PageKind, RawPage> pages = new LinkedHashMap<>();
    for (PageKind kind : PageKind.values()) {
      drive.pages().read(kind).bytes().ifPresent(raw -> pages.put(kind, raw));
    }
    keep(job, pages, clock.instant());
  }

  /** What drive A of a job answered then, or its battery if the pages are of one. */
  void keep(Job job, Map<PageKind, RawPage> pages, Instant when) {
    boolean ofBattery =
        pages.keySet().stream().anyMatch(kind -> kind.family() == PageKind.Family.BATTERY);
    String key = ofBattery ? RunKind.BATTERY : DRIVE;
    Map<PageKind, PageAnswer> answers = new EnumMap<>(PageKind.class);
    pages.forEach((kind, page) -> answers.put(kind, new PageAnswer.Got(page)));
    PartReading reading = new PartReading(answers);
    String slot = OtherParts.slotName(key);
    Part part =
        others
            .met(job.machine().id(), key, reading, when)
            .orElseGet(
                () -> parts.met(job.machine().id(), key, slot, DriveIdentity.of(reading), when))
            .part();
    readings.keep(job, part, key, probe(when), PROBE_VERSION, when, pages);
    journal.save(
        new JournalEntry(
            job.id(),
            when,
            JournalEntry.Kind.READING,
            Words.kept(() -> say("inbox.read", "part", OtherParts.slotName(key))),
            "",
            "probe"));
  }

  private UUID probe(Instant when) {
    if (probe == null) {
      probe = UUID.randomUUID();
      jdbc.sql(
              "INSERT INTO probe (id, bay_id, outbox_id, token_hash, probe_version, machine_note,"
                  + " enrolled_at, revoked_at, online, received_through)"
                  + " SELECT ?, MIN(id), ?, UNHEX(SHA2(?, 256)), ?, '{}', ?, ?, FALSE, 0 FROM bay")
          .params(
              probe.toString(),
              UUID.randomUUID().toString(),
              UUID.randomUUID().toString(),
              PROBE_VERSION,
              Timestamp.from(when),
              Timestamp.from(when))
          .update();
    }
    return probe;
  }
}
