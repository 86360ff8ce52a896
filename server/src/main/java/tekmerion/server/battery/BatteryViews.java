package tekmerion.server.battery;

import static tekmerion.core.page.OrNull.orNull;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.Set;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.battery.AdapterReport;
import tekmerion.core.battery.Amount;
import tekmerion.core.battery.BatteryReport;
import tekmerion.core.battery.Fade;
import tekmerion.core.battery.PackSum;
import tekmerion.core.drive.PartReading;
import tekmerion.core.port.PageKind;
import tekmerion.core.trend.Interval;
import tekmerion.link.DischargeResult;
import tekmerion.link.RunKind;
import tekmerion.server.battery.BatteryView.Look;
import tekmerion.server.evidence.OtherParts;
import tekmerion.server.evidence.PageStore;
import tekmerion.server.evidence.Reading;
import tekmerion.server.evidence.Readings;
import tekmerion.server.job.Job;
import tekmerion.server.job.Jobs;
import tekmerion.server.job.Shown;
import tekmerion.server.part.Part;
import tekmerion.server.part.PartPlace;
import tekmerion.server.part.PartService;
import tekmerion.server.permit.JobPermissions;
import tekmerion.server.probe.ProbeOfJob;
import tekmerion.server.problem.Refusal;
import tekmerion.server.run.Run;
import tekmerion.server.run.RunView;
import tekmerion.server.run.Runs;

/** Gathers what a battery tells, what was measured of it, and how others like it are. */
@Service
class BatteryViews implements Shown {
  private static final int MAX_LOOKS = 60;
  private static final int MAX_OTHERS = 60;
  private static final int MIN_OTHERS = 3;
  private final Jobs jobs;
  private final PartService parts;
  private final Readings readings;
  private final PageStore pages;
  private final Runs runs;
  private final JobPermissions permissions;
  private final ProbeOfJob probeOf;
  private final JdbcClient jdbc;

  BatteryViews(
      Jobs jobs,
      PartService parts,
      Readings readings,
      PageStore pages,
      Runs runs,
      JobPermissions permissions,
      ProbeOfJob probeOf,
      JdbcClient jdbc) {
    this.jobs = jobs;
    this.parts = parts;
    this.readings = readings;
    this.pages = pages;
    this.runs = runs;
    this.permissions = permissions;
    this.probeOf = probeOf;
    this.jdbc = jdbc;
  }

  @Override
  @Transactional(readOnly = true)
  public void mustShow(String jobNumber) {
    of(jobNumber);
  }

  @Transactional(readOnly = true)
  public BatteryView of(String number) {
    Job job = jobs.named(number);
    Optional<Part> part =
        parts.inMachine(job.machine().id(), RunKind.BATTERY).stream()
            .filter(p -> p.partKey().equals(RunKind.BATTERY)) // not the second pack
            .findFirst()
            .map(PartPlace::part);
    List<Reading> all =
        part.map(p -> readings.findByPartIdOrderByTakenAtDesc(p.id())).orElse(List.of()).stream()
            .limit(MAX_LOOKS)
            .toList();
    Optional<Reading> last =
        all.stream().filter(r -> Objects.equals(r.jobId(), job.id())).findFirst();
    Optional<PartReading> pagesRead = last.map(r -> pages.load(r.getId()));
    Optional<BatteryReport> report = pagesRead.flatMap(OtherParts::battery);
    Optional<BatteryReport> second = pagesRead.flatMap(OtherParts::second);
    List<Run> ofPart = part.map(p -> runs.ofPart(p.id())).orElse(List.of());
    List<Look> looks = looks(all, ofPart);
    return new BatteryView(
        number,
        job.version(),
        job.machine().name(),
        report.map(BatteryViews::shown).orElse(null),
        second.map(BatteryViews::shown).orElse(null),
        second.map(s -> together(report, s)).orElse(null),
        pagesRead
            .flatMap(r -> r.sound(PageKind.ADAPTER_SUPPLY, AdapterReport.class))
            .map(BatteryViews::shown)
            .orElse(null),
        last.map(Reading::getId).orElse(null),
        last.map(Reading::takenAt).orElse(null),
        part.map(Part::id).orElse(null),
        looks,
        looks.isEmpty() ? null : fade(looks),
        part.filter(p -> p.model() != null)
            .flatMap(
                p -> others(p, report.map(BatteryReport::health).orElse(OptionalDouble.empty())))
            .orElse(null),
        runs.ofJob(job.id(), Set.of(RunKind.DISCHARGE)).stream().map(RunView::of).toList(),
        runs.ofJob(job.id(), Set.of(RunKind.CHARGE)).stream().map(RunView::of).toList(),
        permissions.of(job).at().unsafeBattery().orElse(null),
        refusal(() -> probeOf.of(job, RunKind.DISCHARGE, RunKind.BATTERY)),
        refusal(() -> probeOf.of(job, RunKind.CHARGE, RunKind.BATTERY)),
        refusal(() -> probeOf.readable(job, RunKind.BATTERY)));
  }

  private static String refusal(Runnable asked) {
    try {
      asked.run();
      return null;
    } catch (Refusal refused) {
      return refused.getMessage();
    }
  }

  /** Self-report and by discharges; one that did not come to its end measured nothing. */
  private List<Look> looks(List<Reading> all, List<Run> ofPart) {
    List<Look> looks = new ArrayList<>();
    for (Reading reading : all) {
      Optional<BatteryReport> report = OtherParts.battery(pages.load(reading.getId()));
      report
          .filter(r -> r.health().isPresent())
          .ifPresent(
              r ->
                  looks.add(
                      new Look(
                          reading.takenAt(),
                          numberOf(reading.jobId()),
                          r.cycles().isPresent() ? r.cycles().getAsLong() : null,
                          r.health().getAsDouble(),
                          false)));
    }
    for (Run run : ofPart) {
      if (run.ending() != null
          && run.result() instanceof DischargeResult found
          && found.reachedCutOff()
          && found.chargeAh() != null
          && found.designAh() != null) {
        Instant at = run.ending().endedAt();
        Long cycles =
            looks.stream()
                .filter(l -> l.cycles() != null)
                .min(
                    Comparator.comparingLong(
                        l -> Math.abs(l.at().toEpochMilli() - at.toEpochMilli())))
                .map(Look::cycles)
                .orElse(null);
        looks.add(
            new Look(
                at,
                numberOf(run.jobId()),
                cycles,
                found.chargeAh().value() / found.designAh(),
                true));
      }
    }
    looks.sort(Comparator.comparing(Look::at));
    return looks;
  }

  private String numberOf(Long jobId) {
    return jobs.findById(jobId).map(Job::number).orElse("");
  }

  /** Self-report only: a measured share and a reported one are two different things. */
  private static BatteryView.FadeShown fade(List<Look> looks) {
    List<Fade.Look> own =
        looks.stream()
            .filter(l -> !l.measured())
            .map(
                l ->
                    new Fade.Look(
                        l.at(),
                        l.cycles() == null ? OptionalLong.empty() : OptionalLong.of(l.cycles()),
                        l.health()))
            .toList();
    if (own.isEmpty()) {
      return null;
    }
    Fade fade = Fade.of(own);
    return new BatteryView.FadeShown(
        fade.visits(),
        fade.perHundredCycles().map(BatteryViews::span).orElse(null),
        fade.perYear().map(BatteryViews::span).orElse(null),
        orNull(fade.sinceNew()),
        fade.limits().stream()
            .map(
                l ->
                    new BatteryView.Limit(
                        l.share(),
                        l.cycles().map(BatteryViews::span).orElse(null),
                        l.years().map(BatteryViews::span).orElse(null)))
            .toList());
  }

  private static BatteryView.Span span(Interval of) {
    return new BatteryView.Span(
        of.value(), of.low(), Double.isInfinite(of.high()) ? null : of.high());
  }

  /** The newest health of each other pack of this model. */
  private Optional<BatteryView.Others> others(Part part, OptionalDouble own) {
    List<Double> health =
        jdbc
            .sql(
                "SELECT id FROM part WHERE kind = ? AND model = ? AND id <> ? AND same_as IS NULL"
                    + " ORDER BY id DESC LIMIT "
                    + MAX_OTHERS)
            .params(RunKind.BATTERY, part.model(), part.id())
            .query(Long.class)
            .list()
            .stream()
            .flatMap(id -> readings.findByPartIdOrderByTakenAtDesc(id).stream().limit(1))
            .flatMap(r -> OtherParts.battery(pages.load(r.getId())).stream())
            .flatMap(r -> r.health().stream().boxed())
            .sorted()
            .toList();
    if (health.size() < MIN_OTHERS || own.isEmpty()) {
      return Optional.empty();
    }
    int below = (int) health.stream().filter(h -> h < own.getAsDouble()).count();
    return Optional.of(
        new BatteryView.Others(health.size(), health.get((health.size() - 1) / 2), below));
  }

  private static BatteryView.Report shown(BatteryReport of) {
    return new BatteryView.Report(
        of.maker().orElse(null),
        of.model().orElse(null),
        of.serial().orElse(null),
        of.chemistry().orElse(null),
        of.made().map(Object::toString).orElse(null),
        of.design().or(of::full).or(of::left).map(a -> a.unit().finding()).orElse(null),
        of.design().map(Amount::value).orElse(null),
        of.full().map(Amount::value).orElse(null),
        of.left().map(Amount::value).orElse(null),
        orNull(of.health()),
        of.cycles().isPresent() ? of.cycles().getAsLong() : null,
        orNull(of.volts()),
        orNull(of.celsius()),
        orNull(of.gauge()),
        orNull(of.chargeLimit()),
        of.state().orElse(null),
        of.minutesLeft().isPresent() ? of.minutesLeft().getAsLong() : null,
        of.flags(),
        of.alarms(),
        of.doubts(),
        of.words());
  }

  private static BatteryView.Together together(Optional<BatteryReport> first, BatteryReport other) {
    PackSum sum = PackSum.of(Stream.concat(first.stream(), Stream.of(other)).toList());
    return new BatteryView.Together(
        sum.packs(),
        sum.design().or(sum::full).or(sum::left).map(a -> a.unit().finding()).orElse(null),
        sum.design().map(Amount::value).orElse(null),
        sum.full().map(Amount::value).orElse(null),
        sum.left().map(Amount::value).orElse(null),
        orNull(sum.health()));
  }

  private static BatteryView.Adapter shown(AdapterReport of) {
    return new BatteryView.Adapter(
        of.type(),
        of.plugged().orElse(null),
        orNull(of.volts()),
        orNull(of.mostAmperes()),
        orNull(of.mostWatts()));
  }
}
