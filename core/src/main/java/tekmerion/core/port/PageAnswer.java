package tekmerion.core.port;

import java.util.Optional;
import tekmerion.core.page.RawPage;

/** What came of asking a device for a page: three different things, and none of them is zero. */
public sealed interface PageAnswer {
  /** The device gave bytes; whether they make sense is for a decoder to say. */
  record Got(RawPage raw) implements PageAnswer {}

  /** The device says, in its own way, that it has no such page. */
  record NotReported(String why) implements PageAnswer {}

  /** The question could not be put, or no answer came. */
  record CouldNotRun(String why) implements PageAnswer {}

  default Optional<RawPage> bytes() {
    return this instanceof Got got ? Optional.of(got.raw()) : Optional.empty();
  }
}
