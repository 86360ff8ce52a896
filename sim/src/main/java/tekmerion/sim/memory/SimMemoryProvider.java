package tekmerion.sim.memory;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalLong;
import java.util.Random;
import tekmerion.core.port.MemoryProvider;
import tekmerion.core.port.MemoryRegion;
import tekmerion.sim.memory.CellFault.Kind;

/**
 * Faults as text: {@code stuck-at word=5 bit=3 state=1}, {@code coupling-inversion word=5 bit=3
 * by-word=9 by-bit=3 by-state=1 rate=0.5}, {@code decoder word=5 reaches=9,12}.
 */
public final class SimMemoryProvider implements MemoryProvider {
  @Override
  public MemoryRegion open(int words, List<String> faults, long seed) {
    List<CellFault> cells = new ArrayList<>();
    List<DecoderFault> decoder = new ArrayList<>();
    for (String line : faults) {
      String[] parts = line.strip().split("\\s+");
      try {
        Map<String, String> values = new HashMap<>();
        for (String part : Arrays.asList(parts).subList(1, parts.length)) {
          values.put(part.substring(0, part.indexOf('=')), part.substring(part.indexOf('=') + 1));
        }
        if (parts[0].equals("decoder")) {
          decoder.add(decoder(values, words));
        } else {
          cells.add(cell(parts[0], values, words));
        }
      } catch (RuntimeException e) {
        throw new IllegalArgumentException(
            "no fault: \"%s\" (%s)".formatted(line.strip(), e.getMessage()), e);
      }
    }
    return new SimMemory(words, cells, decoder, new Random(seed));
  }

  private static DecoderFault decoder(Map<String, String> values, int words) {
    List<Long> reaches =
        values.get("reaches").isEmpty()
            ? List.of()
            : Arrays.stream(values.get("reaches").split(",")).map(Long::valueOf).toList();
    reaches.forEach(word -> inside(word, words));
    return new DecoderFault(inside(Long.parseLong(values.get("word")), words), reaches);
  }

  private static CellFault cell(String kind, Map<String, String> values, int words) {
    boolean coupled = values.containsKey("by-word");
    return new CellFault(
        Kind.valueOf(kind.toUpperCase(Locale.ROOT).replace('-', '_')),
        at(values.get("word"), values.get("bit"), words),
        coupled
            ? OptionalLong.of(at(values.get("by-word"), values.get("by-bit"), words))
            : OptionalLong.empty(),
        Integer.parseInt(values.getOrDefault("state", "0")),
        Integer.parseInt(values.getOrDefault("by-state", "0")),
        Double.parseDouble(values.getOrDefault("rate", "1")),
        Double.parseDouble(values.getOrDefault("above-celsius", "-1000")));
  }

  private static long at(String word, String bit, int words) {
    int line = Integer.parseInt(bit);
    if (line < 0 || line > 63) {
      throw new IllegalArgumentException("bit must be 0 to 63: " + line);
    }
    return 64 * inside(Long.parseLong(word), words) + line;
  }

  private static long inside(long word, int words) {
    if (word < 0 || word >= words) {
      throw new IllegalArgumentException("word must be 0 to %d: %d".formatted(words - 1, word));
    }
    return word;
  }
}
