package tekmerion.core.rescue;

import java.util.Arrays;
import java.util.List;

/**
 * What is kept of a rescue beside its image, always together: what is known of every byte, and the
 * sums of what was read.
 */
public record KeptRescue(RescueMap map, ReadSums sums) {
  private static final String SUMS = "sums";

  /** Of a source of which nothing is known. */
  public static KeptRescue begin(long size) {
    return new KeptRescue(new RescueMap(size), new ReadSums(size));
  }

  /** The text of the map, a line {@code sums}, then the text of the sums. */
  public String text() {
    return map.text() + SUMS + '\n' + sums.text();
  }

  /**
   * @throws IllegalArgumentException if it is none, or is damaged
   */
  public static KeptRescue parse(String text) {
    List<String> lines = Arrays.asList(text.split("\n"));
    int at = lines.indexOf(SUMS);
    if (at < 0) {
      throw new IllegalArgumentException("the map is damaged: its sums are missing");
    }
    RescueMap map = RescueMap.parse(String.join("\n", lines.subList(0, at)));
    return new KeptRescue(map, ReadSums.parse(map.size(), lines.subList(at + 1, lines.size())));
  }
}
