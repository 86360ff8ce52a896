package tekmerion.core.weigh;

import java.util.Optional;
import tekmerion.core.weigh.Weighed.CauseShare;
import tekmerion.core.words.Sentences;

/** Whether what was found since a ruling speaks against it. */
public final class Contradiction {
  private Contradiction() {}

  /**
   * It does if the cause that was ruled on does not even lean any more, and another one does.
   *
   * @param cause that stood first when it was ruled
   * @param part that it was of
   * @return what to tell; empty if the ruling still fits
   */
  public static Optional<String> of(String cause, String part, Weighed now) {
    Optional<CauseShare> ruled =
        now.causes().stream()
            .filter(share -> share.cause().equals(cause) && share.part().equals(part))
            .findFirst();
    if (ruled.isEmpty() || now.causes().isEmpty() || leans(ruled.get())) {
      return Optional.empty();
    }
    CauseShare first = now.causes().get(0);
    return leans(first)
        ? Optional.of(
            "It was ruled on %s, which stands at %s now; %s stands at %s."
                .formatted(
                    Sentences.lowerFirst(ruled.get().name()),
                    Headline.ofHundred(ruled.get().probability()),
                    Sentences.lowerFirst(first.name()),
                    Headline.ofHundred(first.probability())))
        : Optional.empty();
  }

  private static boolean leans(CauseShare share) {
    return share.tilt().compareTo(Tilt.LEANING) >= 0;
  }
}
