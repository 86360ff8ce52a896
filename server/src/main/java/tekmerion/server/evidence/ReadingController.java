package tekmerion.server.evidence;

import static tekmerion.words.Words.say;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.UUID;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import tekmerion.core.drive.DriveFindings;
import tekmerion.core.drive.PageDecoder;
import tekmerion.core.drive.PartReading;
import tekmerion.core.drive.ata.AttributeBook;
import tekmerion.core.drive.ata.IdentifyDevice;
import tekmerion.core.drive.ata.IdentifyField;
import tekmerion.core.drive.ata.RawMeaning;
import tekmerion.core.drive.ata.SmartAttribute;
import tekmerion.core.drive.ata.SmartData;
import tekmerion.core.drive.ata.SmartThresholds;
import tekmerion.core.drive.ata.ThresholdState;
import tekmerion.core.page.Decoding;
import tekmerion.core.page.Fault;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;
import tekmerion.link.PageNote.Outcome;
import tekmerion.server.job.Job;
import tekmerion.server.job.Jobs;
import tekmerion.server.problem.Refusal;

/** One reading down to its bytes. */
@RestController
class ReadingController {
  private final Readings readings;
  private final PageStore pages;
  private final Jobs jobs;

  record ReadingView(
      UUID id,
      String drive,
      @Schema(nullable = true) String job,
      @Schema(nullable = true) String machine,
      Instant takenAt,
      Instant receivedAt,
      String probeVersion,
      List<PageView> pages,
      List<FieldView> identify,
      List<AttributeView> attributes,
      @Schema(nullable = true) SmartStatus smart) {}

  /**
   * @param why only if there are no bytes
   * @param hex lower case, two letters a byte; null if there are no bytes
   * @param damage null if the page is sound or there is none
   */
  record PageView(
      String kind,
      String standardName,
      Outcome outcome,
      @Schema(nullable = true) String why,
      @Schema(nullable = true) String hex,
      @Schema(nullable = true) Fault damage) {}

  /**
   * @param value null: not reported
   */
  record FieldView(String name, int offset, int length, @Schema(nullable = true) String value) {}

  /**
   * @param threshold null: not reported
   * @param meaning null if no rule gives a value that can be true
   */
  record AttributeView(
      int id,
      @Schema(nullable = true) String name,
      int offset,
      boolean preFailure,
      int value,
      int worst,
      @Schema(nullable = true) Integer threshold,
      ThresholdState state,
      String stateWords,
      String rawHex,
      @Schema(nullable = true) Meaning meaning) {}

  record Meaning(long value, String unit, String rule, Map<String, Long> also) {}

  record SmartStatus(
      String selfTest,
      boolean selfTestFailed,
      String offlineCollection,
      @Schema(nullable = true) Integer shortSelfTestMinutes,
      @Schema(nullable = true) Integer extendedSelfTestMinutes) {}

  ReadingController(Readings readings, PageStore pages, Jobs jobs) {
    this.readings = readings;
    this.pages = pages;
    this.jobs = jobs;
  }

  @GetMapping("/api/readings/{id}")
  @Transactional(readOnly = true)
  ReadingView reading(@PathVariable UUID id) {
    Reading reading =
        readings
            .findById(id)
            .orElseThrow(() -> Refusal.notFound(say("evidence.there-is-no-reading", "id", id)));
    PartReading drive = pages.load(id);
    Optional<Job> job = Optional.ofNullable(reading.jobId()).flatMap(jobs::findById);
    Optional<SmartData> smart = drive.smart().flatMap(Decoding::decoded);
    return new ReadingView(
        id,
        OtherParts.slotName(reading.partKey()),
        job.map(Job::number).orElse(null),
        job.map(j -> j.machine().name()).orElse(null),
        reading.takenAt(),
        reading.receivedAt(),
        reading.probeVersion(),
        pageViews(drive),
        drive
            .identify()
            .flatMap(Decoding::decoded)
            .map(ReadingController::fields)
            .orElse(List.of()),
        smart
            .map(s -> attributes(s, drive.thresholds().flatMap(Decoding::decoded)))
            .orElse(List.of()),
        smart.map(ReadingController::status).orElse(null));
  }

  private static List<PageView> pageViews(PartReading drive) {
    List<PageView> views = new ArrayList<>();
    for (PageKind kind : PageKind.values()) {
      drive.answer(kind).ifPresent(answer -> views.add(pageView(kind, answer)));
    }
    return views;
  }

  private static PageView pageView(PageKind kind, PageAnswer answer) {
    String name = kind.standardName();
    if (answer instanceof PageAnswer.Got got) {
      RawPage raw = got.raw();
      Optional<Fault> damage = PageDecoder.decode(kind, raw).damage();
      String hex = raw.hex(0, raw.size());
      return new PageView(kind.wireName(), name, Outcome.GOT, null, hex, damage.orElse(null));
    }
    if (answer instanceof PageAnswer.NotReported not) {
      return new PageView(kind.wireName(), name, Outcome.NOT_REPORTED, not.why(), null, null);
    }
    String why = ((PageAnswer.CouldNotRun) answer).why();
    return new PageView(kind.wireName(), name, Outcome.COULD_NOT_RUN, why, null, null);
  }

  private static List<FieldView> fields(IdentifyDevice identify) {
    List<FieldView> views = new ArrayList<>();
    for (IdentifyField field : IdentifyField.values()) {
      Object value = identify.fields().get(field);
      views.add(
          new FieldView(
              field.jsonName(),
              field.layout().offset(),
              field.layout().length(),
              value == null ? null : value.toString()));
    }
    return views;
  }

  private static List<AttributeView> attributes(
      SmartData smart, Optional<SmartThresholds> thresholds) {
    AttributeBook book = AttributeBook.shipped();
    List<AttributeView> views = new ArrayList<>();
    for (SmartAttribute a : smart.attributes()) {
      ThresholdState state = DriveFindings.stateOf(a, thresholds);
      views.add(
          new AttributeView(
              a.id(),
              book.nameOf(a.id()).orElse(null),
              a.offset(),
              a.isPreFailure(),
              a.value(),
              a.worst(),
              thresholds
                  .map(t -> t.thresholdOf(a.id()))
                  .filter(OptionalInt::isPresent)
                  .map(OptionalInt::getAsInt)
                  .orElse(null),
              state,
              state.words(),
              a.rawHex(),
              book.meaningOf(a).map(ReadingController::meaning).orElse(null)));
    }
    return views;
  }

  private static Meaning meaning(RawMeaning meaning) {
    return new Meaning(meaning.value(), meaning.unit(), meaning.rule().name(), meaning.also());
  }

  private static SmartStatus status(SmartData smart) {
    return new SmartStatus(
        smart.selfTestStatus().words(),
        smart.selfTestStatus().isFailure(),
        smart.offlineCollectionStatus().name(),
        smart.shortSelfTestMinutes().isPresent() ? smart.shortSelfTestMinutes().getAsInt() : null,
        smart.extendedSelfTestMinutes().isPresent()
            ? smart.extendedSelfTestMinutes().getAsInt()
            : null);
  }
}
