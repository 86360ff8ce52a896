package tekmerion.server.drive;

import static tekmerion.words.Words.say;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import tekmerion.core.drive.PageDecoder;
import tekmerion.core.page.DecodedPage;
import tekmerion.core.page.Decoding;
import tekmerion.core.page.Fault;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;
import tekmerion.server.evidence.PageStore;
import tekmerion.server.problem.Refusal;

/** One drive, and the bytes of any page of a reading. */
@RestController
class DriveController {
  private final DriveViews views;
  private final PageStore pages;

  /**
   * @param value null if the drive does not report it
   */
  @Schema(name = "PageField")
  record Field(
      String name, int offset, int length, @Schema(nullable = true) String value, String unit) {}

  /**
   * @param fields with the bytes they came from; empty if the page is damaged
   * @param fault null if it is sound
   */
  @Schema(name = "PageBytes")
  record Bytes(
      String kind,
      String name,
      String hex,
      List<Field> fields,
      @Schema(nullable = true) Fault fault) {}

  DriveController(DriveViews views, PageStore pages) {
    this.views = views;
    this.pages = pages;
  }

  @GetMapping("/api/jobs/{number}/parts/{partKey}")
  DriveView drive(@PathVariable String number, @PathVariable String partKey) {
    return views.of(number, partKey);
  }

  @GetMapping("/api/readings/{readingId}/pages/{kind}")
  Bytes page(@PathVariable UUID readingId, @PathVariable String kind) {
    PageKind page =
        PageKind.ofWireName(kind)
            .orElseThrow(() -> Refusal.notFound(say("drive.there-is-no-page-of-that")));
    RawPage raw =
        pages
            .load(readingId)
            .answer(page)
            .flatMap(PageAnswer::bytes)
            .orElseThrow(() -> Refusal.notFound(say("drive.this-reading-holds-no-such-page")));
    Decoding<? extends DecodedPage> decoding = PageDecoder.decode(page, raw);
    List<Field> fields =
        decoding
            .decoded()
            .map(
                d ->
                    d.spans().stream()
                        .map(
                            s ->
                                new Field(
                                    s.name(),
                                    s.offset(),
                                    s.length(),
                                    s.value() == null ? null : Objects.toString(s.value()),
                                    s.unit()))
                        .toList())
            .orElse(List.of());
    return new Bytes(
        kind, page.standardName(), raw.hex(0, raw.size()), fields, decoding.damage().orElse(null));
  }
}
