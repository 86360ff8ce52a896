package tekmerion.core.drive;

import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import tekmerion.core.drive.ata.IdentifyDevice;
import tekmerion.core.drive.ata.SmartData;
import tekmerion.core.drive.ata.SmartThresholds;
import tekmerion.core.page.DecodedPage;
import tekmerion.core.page.Decoding;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;

/** What a drive answered in one reading, page by page. Decoded anew from the bytes each time. */
public record PartReading(Map<PageKind, PageAnswer> answers) {
  public PartReading {
    EnumMap<PageKind, PageAnswer> copy = new EnumMap<>(PageKind.class);
    copy.putAll(answers);
    answers = Collections.unmodifiableMap(copy);
  }

  /** Empty if the page was not asked for, not reported or could not be read. */
  public Optional<Decoding<IdentifyDevice>> identify() {
    return answer(PageKind.ATA_IDENTIFY).flatMap(PageAnswer::bytes).map(IdentifyDevice::decode);
  }

  public Optional<Decoding<SmartData>> smart() {
    return answer(PageKind.ATA_SMART).flatMap(PageAnswer::bytes).map(SmartData::decode);
  }

  public Optional<Decoding<SmartThresholds>> thresholds() {
    return answer(PageKind.ATA_THRESHOLDS).flatMap(PageAnswer::bytes).map(SmartThresholds::decode);
  }

  /** Any page that came, decoded by its kind's own decoder. */
  public <T extends DecodedPage> Optional<Decoding<T>> page(PageKind kind, Class<T> type) {
    return answer(kind)
        .flatMap(PageAnswer::bytes)
        .map(
            raw -> {
              Decoding<? extends DecodedPage> decoding = PageDecoder.decode(kind, raw);
              return decoding
                  .damage()
                  .<Decoding<T>>map(fault -> new Decoding.Malformed<>(raw, fault))
                  .orElseGet(
                      () ->
                          new Decoding.Decoded<>(raw, type.cast(decoding.decoded().orElseThrow())));
            });
  }

  /** The same, only if it is sound. */
  public <T extends DecodedPage> Optional<T> sound(PageKind kind, Class<T> type) {
    return page(kind, type).flatMap(Decoding::decoded);
  }

  public Optional<PageAnswer> answer(PageKind kind) {
    return Optional.ofNullable(answers.get(kind));
  }
}
