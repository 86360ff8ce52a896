package tekmerion.core.memory;

import static tekmerion.words.Words.say;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import tekmerion.core.finding.Finding;
import tekmerion.core.finding.Finding.Basis;
import tekmerion.core.memory.identity.MemoryRecords;
import tekmerion.core.memory.identity.Smbios;

/** What a machine's own tables and a march say about the causes that the know-how has. */
public final class MemoryFindings {
  /** Errors gather: all in this share of the byte lanes or fewer is "the same lines". */
  private static final int FEW_LANES = 2;

  private MemoryFindings() {}

  /**
   * Findings of the errors on record; none if nothing is kept, which says nothing.
   *
   * @param page wire name of the page
   */
  public static List<Finding> of(MemoryRecords records, String page) {
    List<Finding> findings = new ArrayList<>();
    long corrected = records.errors(true).orElse(-1);
    long uncorrected = records.errors(false).orElse(-1);
    if (corrected < 0 && uncorrected < 0) {
      return findings;
    }
    boolean any = corrected > 0 || uncorrected > 0;
    findings.add(
        new Finding(
            "memory.corrected",
            Finding.MACHINE,
            any ? "some" : "none",
            any
                ? say(
                    "memory.corrected-and-uncorrected-memory-errors-on",
                    "corrected",
                    Math.max(0, corrected),
                    "uncorrected",
                    Math.max(0, uncorrected),
                    "worst",
                    records.worst().orElse(say("memory.no-module-that-is-named")))
                : say("memory.no-memory-errors-on-record"),
            records.spans().isEmpty()
                ? Basis.reading(page, 0, 0)
                : Basis.reading(
                    page, records.spans().get(0).offset(), records.spans().get(0).length())));
    return findings;
  }

  /**
   * Whether the modules that sit in the slots are alike in speed and make.
   *
   * @param page wire name of the page
   */
  public static List<Finding> of(Smbios table, String page) {
    List<Smbios.MemorySlot> filled =
        table.memorySlots().stream().filter(Smbios.MemorySlot::filled).toList();
    if (filled.isEmpty()) {
      return List.of();
    }
    Set<String> sorts =
        filled.stream()
            .map(m -> "%s %s".formatted(m.ratedMillionTransfers(), m.ranks()))
            .collect(Collectors.toSet());
    return List.of(
        new Finding(
            "modules.alike",
            Finding.MACHINE,
            sorts.size() == 1 ? "alike" : "differ",
            filled.size() == 1
                ? say("memory.one-memory-module")
                : sorts.size() == 1
                    ? say("memory.memory-modules-alike-in-speed-and", "count", filled.size())
                    : say("memory.the-memory-modules-differ-in-speed"),
            Basis.reading(page, 0, 0)));
  }

  /**
   * Of a march that ran one whole pass at least, or found something.
   *
   * @param byBit faulty words on each of the 64 lines
   * @param stretches in how many places they lie
   * @param where in a sentence; empty if nothing was found
   */
  public static Optional<Finding> ofMarch(
      List<Integer> byBit, int stretches, String where, boolean wholePass, String coverage) {
    long lanes =
        IntStream.range(0, byBit.size())
            .filter(b -> byBit.get(b) > 0)
            .map(b -> b / 8)
            .distinct()
            .count();
    if (lanes == 0 && !wholePass) {
      return Optional.empty();
    }
    String level =
        lanes == 0 ? "none" : lanes <= FEW_LANES || stretches == 1 ? "same-lines" : "scattered";
    return Optional.of(
        new Finding(
            "march.errors",
            Finding.MACHINE,
            level,
            lanes == 0
                ? say("memory.the-memory-test-found-no-error", "coverage", coverage)
                : say("memory.memory-test", "where", where),
            Basis.run()));
  }
}
