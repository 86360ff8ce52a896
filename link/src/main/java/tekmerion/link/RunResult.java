package tekmerion.link;

import static tekmerion.words.Words.say;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;

/**
 * What a run has found so far, or at its end, as it travels. Everything is checked where it comes
 * in; a number that is not known is null.
 */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
  @JsonSubTypes.Type(value = SurfaceScanResult.class, name = "surface"),
  @JsonSubTypes.Type(value = SelfTestResult.class, name = "self-test"),
  @JsonSubTypes.Type(value = MemoryTestResult.class, name = "memory-test"),
  @JsonSubTypes.Type(value = DischargeResult.class, name = "discharge"),
  @JsonSubTypes.Type(value = ChargeResult.class, name = "charge"),
  @JsonSubTypes.Type(value = LoadResult.class, name = "load"),
  @JsonSubTypes.Type(value = SurveyResult.class, name = "survey"),
  @JsonSubTypes.Type(value = RescueResult.class, name = "rescue"),
  @JsonSubTypes.Type(value = FileCopyResult.class, name = "file-copy"),
  @JsonSubTypes.Type(value = EraseResult.class, name = "erase"),
  @JsonSubTypes.Type(value = CopyErasedResult.class, name = "copy-erased"),
  @JsonSubTypes.Type(value = MendResult.class, name = "mend"),
  @JsonSubTypes.Type(value = CarveResult.class, name = "carve")
})
public sealed interface RunResult
    permits SurfaceScanResult,
        SelfTestResult,
        MemoryTestResult,
        DischargeResult,
        ChargeResult,
        LoadResult,
        SurveyResult,
        RescueResult,
        FileCopyResult,
        EraseResult,
        CopyErasedResult,
        MendResult,
        CarveResult {
  /** What came of it, in a few words: "no error", "12 sectors unreadable". */
  String outcome();

  /** More of it, for the history; empty if there is nothing more to say. */
  default String detail() {
    return "";
  }

  /** Whether anything of the owner's lies in the folder of copies by it. */
  default boolean madeCopies() {
    return false;
  }

  int MAX_ROWS = 1_000;
  int MAX_CHARS = 400;

  static void check(boolean fits, String what) {
    if (!fits) {
      throw new IllegalArgumentException("run result out of bounds: " + what);
    }
  }

  static String checked(String text) {
    check(text != null && text.length() <= MAX_CHARS, say("link.a-text-is-missing-or-too"));
    return text;
  }
}
