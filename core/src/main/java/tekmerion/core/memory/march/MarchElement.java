package tekmerion.core.memory.march;

import static tekmerion.words.Words.say;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import tekmerion.core.port.MemoryRegion.Operation;

/** One element of a march test. */
public sealed interface MarchElement {
  /**
   * Operations on every word, all on one before the next.
   *
   * @param down from the highest to the lowest address
   */
  record Sweep(boolean down, List<Operation> operations) implements MarchElement {
    public Sweep {
      operations = List.copyOf(operations);
    }

    @Override
    public String words() {
      StringBuilder words = new StringBuilder(down ? "down(" : "up(");
      for (int i = 0; i < operations.size(); i++) {
        Operation o = operations.get(i);
        words.append(i == 0 ? "" : ",").append(o.write() ? 'w' : 'r').append(o.one() ? 1 : 0);
      }
      return words.append(')').toString();
    }
  }

  /** Nothing is touched, so that cells that do not hold show it. */
  record Hold(Duration time) implements MarchElement {
    @Override
    public String words() {
      return say("memory.hold-ms", "time", time.toMillis());
    }
  }

  /** Every word of the lower half is copied to the upper half, and back one word further. */
  record MoveBlocks() implements MarchElement {
    @Override
    public String words() {
      return "move";
    }
  }

  /** As it is written in the literature, in plain characters: {@code up(r0,w1)}. */
  String words();

  /**
   * Reads a sequence such as {@code up(w0) up(r0,w1) down(r1,w0) hold(500)}.
   *
   * @throws IllegalArgumentException naming what is not understood
   */
  static List<MarchElement> parse(String text) {
    List<MarchElement> elements = new ArrayList<>();
    for (String part : text.strip().split("\\s+")) {
      int open = part.indexOf('(');
      if (part.equals("move")) {
        elements.add(new MoveBlocks());
      } else if (open < 0 || !part.endsWith(")")) {
        throw new IllegalArgumentException("no march element: " + part);
      } else {
        elements.add(one(part.substring(0, open), part.substring(open + 1, part.length() - 1)));
      }
    }
    return List.copyOf(elements);
  }

  private static MarchElement one(String order, String inside) {
    if (order.equals("hold")) {
      return new Hold(Duration.ofMillis(Long.parseLong(inside)));
    }
    if (!order.equals("up") && !order.equals("down")) {
      throw new IllegalArgumentException("an element goes up or down, not " + order);
    }
    List<Operation> operations = new ArrayList<>();
    for (String operation : inside.split(",")) {
      if (!operation.matches("[rw][01]")) {
        throw new IllegalArgumentException("no operation: " + operation);
      }
      operations.add(new Operation(operation.charAt(0) == 'w', operation.charAt(1) == '1'));
    }
    return new Sweep(order.equals("down"), operations);
  }
}
