package tekmerion.probe.link;

import static tekmerion.words.Words.say;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import tekmerion.core.memory.march.Diagnosis;
import tekmerion.core.memory.march.MarchAlgorithm;
import tekmerion.core.memory.march.MarchPlan;
import tekmerion.core.memory.march.MarchRun;
import tekmerion.core.memory.march.MarchTeam;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.core.port.MemoryRegion;
import tekmerion.link.LinkEvent.End;
import tekmerion.link.MemoryTestResult;
import tekmerion.link.RunKind;

/** Marches through memory, algorithm by algorithm; what each found is told when it is through. */
final class MemoryTestTask extends PartTask {
  private static final long TELL_NANOS = 1_000_000_000L;
  private static final int MAX_STRETCHES = 200;

  private final MachineUnderTest.MemoryOpener opener;
  private final MarchPlan plan;
  private final List<Diagnosis> found = new ArrayList<>();
  private final List<String> done = new ArrayList<>();
  private long mismatches;
  private long toldAt;

  MemoryTestTask(Job job, MachineUnderTest.MemoryOpener opener) {
    super(job);
    this.opener = opener;
    this.plan = job.command().run() == RunKind.MEMORY_TEST_LONG ? MarchPlan.LONG : MarchPlan.USUAL;
  }

  @Override
  Outcome carryOut() throws InterruptedException {
    List<MemoryRegion> regions = List.of();
    try {
      regions = opener.open();
      return march(regions);
    } catch (IOException e) {
      return new Outcome(End.COULD_NOT_RUN, e.getMessage(), null);
    } finally {
      regions.forEach(MemoryRegion::close);
    }
  }

  private Outcome march(List<MemoryRegion> regions) throws InterruptedException {
    List<MarchAlgorithm> algorithms = plan.algorithms();
    for (int i = 0; i < algorithms.size(); i++) {
      MarchAlgorithm algorithm = algorithms.get(i);
      double from = plan.shareBefore(i);
      double to = plan.shareBefore(i + 1);
      long before = mismatches;
      MarchRun.Result result =
          MarchTeam.run(
              algorithm,
              regions,
              plan.passesOfEach(),
              (fraction, errors) ->
                  told(from + fraction * (to - from), regions, algorithm, before + errors),
              this::isStopped);
      mismatches = before + result.errorCount();
      found.add(Diagnosis.of(result, celsius(regions)));
      if (!result.complete()) {
        return new Outcome(
            End.CANCELLED, say("probe.ended-by-a-technician"), note(regions, algorithm));
      }
      done.add(algorithm.title());
      tell(to, note(regions, algorithm));
    }
    return new Outcome(End.COMPLETE, "", note(regions, algorithms.get(algorithms.size() - 1)));
  }

  private synchronized void told(
      double share, List<MemoryRegion> regions, MarchAlgorithm algorithm, long errors) {
    long now = System.nanoTime();
    if (now - toldAt >= TELL_NANOS) {
      toldAt = now;
      mismatches = errors;
      tell(share, note(regions, algorithm));
    }
  }

  private static List<OptionalDouble> celsius(List<MemoryRegion> regions) {
    return List.of(regions.get(0).celsius());
  }

  private MemoryTestResult note(List<MemoryRegion> regions, MarchAlgorithm algorithm) {
    Diagnosis all = Diagnosis.together(found);
    List<Integer> byBit = new ArrayList<>(Collections.nCopies(MemoryTestResult.BITS, 0));
    all.byBit().forEach(byBit::set);
    Map<String, Integer> byClass = new LinkedHashMap<>();
    all.byClass().forEach((fault, n) -> byClass.put(name(fault.name()), n));
    OptionalDouble celsius = regions.get(0).celsius();
    return new MemoryTestResult(
        algorithm.title(),
        List.copyOf(done),
        8 * regions.stream().mapToLong(MemoryRegion::words).sum(),
        regions.get(0).coverage(),
        done.size() == plan.algorithms().size() ? plan.passesOfEach() : 0,
        mismatches,
        byBit,
        byClass,
        all.stretches().stream()
            .limit(MAX_STRETCHES)
            .map(s -> new MemoryTestResult.FaultStretch(s.from(), s.to(), s.words()))
            .toList(),
        all.cells().isEmpty() ? "" : all.where(),
        celsius.isPresent() ? celsius.getAsDouble() : null);
  }

  private static String name(String constant) {
    return constant.toLowerCase(Locale.ROOT).replace('_', '-');
  }
}
