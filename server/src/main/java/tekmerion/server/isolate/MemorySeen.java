package tekmerion.server.isolate;

import static tekmerion.words.Words.say;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.memory.identity.Smbios;
import tekmerion.core.memory.identity.Smbios.MemorySlot;
import tekmerion.core.port.PageKind;
import tekmerion.link.RunKind;
import tekmerion.server.evidence.PageStore;
import tekmerion.server.evidence.Reading;
import tekmerion.server.evidence.Readings;
import tekmerion.server.isolate.Layout.Thing;
import tekmerion.server.isolate.MemoryView.Seen;
import tekmerion.server.job.Job;
import tekmerion.server.probe.ProbeOfJob;
import tekmerion.server.problem.Refusal;
import tekmerion.server.run.RunView;
import tekmerion.server.run.Runs;

/** What a machine last told of its memory, and the memory tests of a job. */
@Service
class MemorySeen {
  private static final Set<RunKind> MEMORY_TESTS =
      Set.of(RunKind.MEMORY_TEST, RunKind.MEMORY_TEST_LONG);

  /** Modules are swapped a dozen times, not more. */
  private static final int MAX_READINGS = 30;

  private final Readings readings;
  private final PageStore pages;
  private final Runs runs;
  private final ProbeOfJob probeOf;

  /**
   * One look.
   *
   * @param memory as the firmware tells of it; empty if it was not read
   * @param at null if it was not read
   * @param canTestMemory null if a memory test can be started, else why not
   * @param known every module that was met in this job, in words, by serial
   */
  record Look(
      List<MemorySlot> memory,
      Instant at,
      List<RunView> runs,
      String canTestMemory,
      Map<String, String> known) {
    List<Seen> slots() {
      List<Seen> seen = new ArrayList<>();
      for (int i = 0; i < memory.size(); i++) {
        MemorySlot slot = memory.get(i);
        seen.add(
            new Seen(
                slot.slot().orElse(say("isolate.slot", "i", (i + 1))),
                slot.filled() ? slot.words() : null,
                slot.filled() ? slot.serial().orElse(null) : null));
      }
      return seen;
    }

    /** The modules with the serials that their slots tell of; as they are if these do not fit. */
    List<Thing> knownAgain(List<Thing> things) {
      List<String> serials =
          memory.stream().filter(MemorySlot::filled).flatMap(m -> m.serial().stream()).toList();
      long modules = things.stream().filter(t -> t.kind().equals(Modules.MODULE)).count();
      if (serials.size() != modules || serials.stream().distinct().count() != modules) {
        return things;
      }
      Iterator<String> next = serials.iterator();
      return things.stream()
          .map(
              t -> t.kind().equals(Modules.MODULE) ? new Thing(t.kind(), t.name(), next.next()) : t)
          .toList();
    }

    /** Null if the slots are others, or one holds a module that is not among these. */
    List<Integer> placement(List<String> serials, int slots) {
      if (serials.isEmpty() || memory.size() != slots) {
        return null;
      }
      List<Integer> placed = new ArrayList<>();
      for (MemorySlot slot : memory) {
        int module = slot.filled() ? serials.indexOf(slot.serial().orElse("")) : -1;
        if (slot.filled() && module < 0) {
          return null;
        }
        placed.add(module);
      }
      return placed;
    }

    /** The like of a module; null if it was never met. */
    String replacement(String serial) {
      return known.get(serial);
    }
  }

  MemorySeen(Readings readings, PageStore pages, Runs runs, ProbeOfJob probeOf) {
    this.readings = readings;
    this.pages = pages;
    this.runs = runs;
    this.probeOf = probeOf;
  }

  @Transactional(readOnly = true)
  public Look of(Job job) {
    List<Reading> all =
        readings.findByJobIdOrderByReceivedAtDesc(job.id()).stream()
            .filter(r -> r.partKey().equals(RunKind.BOARD))
            .limit(MAX_READINGS)
            .toList();
    List<List<MemorySlot>> looks =
        all.stream()
            .map(
                r ->
                    pages
                        .load(r.getId())
                        .sound(PageKind.SMBIOS, Smbios.class)
                        .map(Smbios::memorySlots)
                        .orElse(List.of()))
            .toList();
    List<MemorySlot> memory = looks.isEmpty() ? List.of() : looks.get(0);
    Map<String, String> known = new HashMap<>();
    looks.stream()
        .flatMap(List::stream)
        .filter(m -> m.filled() && m.serial().isPresent())
        .forEach(m -> known.putIfAbsent(m.serial().get(), m.words()));
    return new Look(
        memory,
        all.isEmpty() ? null : all.get(0).takenAt(),
        runs.ofJob(job.id(), MEMORY_TESTS).stream().map(RunView::of).toList(),
        canTestMemory(job),
        known);
  }

  private String canTestMemory(Job job) {
    try {
      probeOf.of(job, RunKind.MEMORY_TEST, RunKind.BOARD);
      return null;
    } catch (Refusal refused) {
      return refused.getMessage();
    }
  }
}
