package tekmerion.core.memory.march;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * The algorithms, as data. "Either" directions of the literature go up.
 *
 * @see "Van de Goor: Using march tests to test SRAMs. IEEE Design & Test of Computers 10(1), 1993
 *     (MATS+, March C-)"
 * @see "Hamdioui, van de Goor & Rodgers: March SS: a test for all static simple RAM faults. MTDT
 *     2002"
 */
public enum MarchAlgorithm {
  MATS_PLUS("MATS+", "up(w0) up(r0,w1) down(r1,w0)", Background.SOLID),
  MARCH_C_MINUS(
      "March C-",
      "up(w0) up(r0,w1) up(r1,w0) down(r0,w1) down(r1,w0) up(r0)",
      Background.SOLID,
      Background.STRIPES_1,
      Background.STRIPES_2,
      Background.STRIPES_4,
      Background.STRIPES_8,
      Background.STRIPES_16,
      Background.STRIPES_32),
  MARCH_SS(
      "March SS",
      "up(w0) up(r0,r0,w0,r0,w1) up(r1,r1,w1,r1,w0) down(r0,r0,w0,r0,w1) down(r1,r1,w1,r1,w0)"
          + " up(r0)",
      Background.SOLID,
      Background.STRIPES_1,
      Background.STRIPES_2,
      Background.STRIPES_4,
      Background.STRIPES_8,
      Background.STRIPES_16,
      Background.STRIPES_32),
  /** Cells lose their charge where nobody looks for a while, most of all beside their opposite. */
  CHECKERBOARD_HOLD(
      "Checkerboard with pause",
      "up(w0) hold(1000) up(r0,w1) hold(1000) up(r1)",
      Background.CHECKERBOARD),
  MOVING_BLOCK("Moving block", "up(w0) move", Background.ADDRESS),
  ADDRESS_IN_ADDRESS("Address in address", "up(w0) up(r0) down(w1) down(r1)", Background.ADDRESS);

  private final String title;
  private final List<MarchElement> elements;
  private final List<Background> backgrounds;

  MarchAlgorithm(String title, String elements, Background... backgrounds) {
    this.title = title;
    this.elements = MarchElement.parse(elements);
    this.backgrounds = List.of(backgrounds);
  }

  /** By its name or its title, whatever the case. */
  public static Optional<MarchAlgorithm> named(String name) {
    String wanted = name.toLowerCase(Locale.ROOT).replaceAll("[^a-z+0-9-]", "");
    return Arrays.stream(values())
        .filter(
            a ->
                a.name().equalsIgnoreCase(name)
                    || a.title.toLowerCase(Locale.ROOT).replaceAll("[^a-z+0-9-]", "").equals(wanted)
                    || a.name().toLowerCase(Locale.ROOT).replace('_', '-').equals(wanted))
        .findFirst();
  }

  public String title() {
    return title;
  }

  public List<MarchElement> elements() {
    return elements;
  }

  public List<Background> backgrounds() {
    return backgrounds;
  }

  /** Bytes read and written for each byte of memory, over all backgrounds. */
  public int trafficPerByte() {
    int each = 0;
    for (MarchElement element : elements) {
      if (element instanceof MarchElement.Sweep sweep) {
        each += sweep.operations().size();
      } else if (element instanceof MarchElement.MoveBlocks) {
        each += 3; // half is read and written twice, then all is read
      }
    }
    return each * backgrounds.size();
  }
}
