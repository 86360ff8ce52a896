package tekmerion.link;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.Base64;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;

/**
 * One page of a reading on its way.
 *
 * @param kind wire name; one this release does not know is kept as it is
 * @param outcome which of the three answers it was
 * @param bytesBase64 the bytes, only with {@link Outcome#GOT}
 * @param why only with the other two
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record PageNote(String kind, Outcome outcome, String bytesBase64, String why) {
  /** The three answers of {@link PageAnswer}. */
  public enum Outcome {
    GOT,
    NOT_REPORTED,
    COULD_NOT_RUN
  }

  public static PageNote of(PageKind kind, PageAnswer answer) {
    if (answer instanceof PageAnswer.Got got) {
      String base64 = Base64.getEncoder().encodeToString(got.raw().bytes());
      return new PageNote(kind.wireName(), Outcome.GOT, base64, null);
    }
    if (answer instanceof PageAnswer.NotReported not) {
      return new PageNote(kind.wireName(), Outcome.NOT_REPORTED, null, not.why());
    }
    return new PageNote(
        kind.wireName(), Outcome.COULD_NOT_RUN, null, ((PageAnswer.CouldNotRun) answer).why());
  }

  /**
   * @throws LinkFormatException if the bytes are missing, no Base64, or too many
   */
  public PageAnswer answer() {
    return switch (outcome) {
      case GOT -> new PageAnswer.Got(page());
      case NOT_REPORTED -> new PageAnswer.NotReported(why == null ? "" : why);
      case COULD_NOT_RUN -> new PageAnswer.CouldNotRun(why == null ? "" : why);
    };
  }

  private RawPage page() {
    if (bytesBase64 == null) {
      throw new LinkFormatException("page %s says it was got but holds no bytes".formatted(kind));
    }
    try {
      byte[] bytes = Base64.getDecoder().decode(bytesBase64);
      if (bytes.length > BenchLink.MAX_PAGE_BYTES) {
        throw new LinkFormatException(
            "page %s has %d bytes, most are %d"
                .formatted(kind, bytes.length, BenchLink.MAX_PAGE_BYTES));
      }
      return new RawPage(bytes);
    } catch (IllegalArgumentException e) {
      throw new LinkFormatException("page %s is no Base64".formatted(kind), e);
    }
  }
}
