package tekmerion.probe.console;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.MachineUnderTest.Board;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;
import tekmerion.core.port.PageSource;

/** How much memory is built in, by the firmware's table (DMTF DSP0134, 7.18: type 17). */
class MachineLinesTest {
  private static final int MEMORY_DEVICE = 17;
  private static final int END = 127;
  private static final int LENGTH = 0x28;
  private static final int SIZE_AT = 0x0C;
  private static final int NOT_KNOWN = 0xFFFF;
  private static final int NOTHING_THERE = 0;

  /**
   * @param sizes the field of each slot: megabytes, 0 if it is empty, FFFFh if it is not known
   */
  private static Board board(int... sizes) {
    ByteArrayOutputStream table = new ByteArrayOutputStream();
    for (int i = 0; i < sizes.length; i++) {
      byte[] structure = new byte[LENGTH + 2]; // no strings: two zeros
      structure[0] = MEMORY_DEVICE;
      structure[1] = LENGTH;
      structure[2] = (byte) (i + 1);
      structure[SIZE_AT] = (byte) sizes[i];
      structure[SIZE_AT + 1] = (byte) (sizes[i] >> 8);
      table.writeBytes(structure);
    }
    table.writeBytes(new byte[] {END, 4, 99, 0, 0, 0});
    return new Board(of(new PageAnswer.Got(new RawPage(table.toByteArray()))), Optional.empty());
  }

  private static PageSource of(PageAnswer answer) {
    return new PageSource() {
      @Override
      public List<PageKind> kinds() {
        return List.of(PageKind.SMBIOS);
      }

      @Override
      public PageAnswer read(PageKind kind) {
        return answer;
      }
    };
  }

  @Test
  void theSumOfTheFilledSlots() {
    assertThat(MachineLines.builtIn(board(8192, NOTHING_THERE, 16384))).hasValue(24L << 30);
  }

  /** A part of the sum would read like the whole. */
  @Test
  void nothingIsSaidWhereOneIsNotKnown() {
    assertThat(MachineLines.builtIn(board(8192, NOT_KNOWN))).isEmpty();
    assertThat(MachineLines.builtIn(board(NOTHING_THERE))).isEmpty();
    PageSource none = of(new PageAnswer.NotReported("no such table"));
    assertThat(MachineLines.builtIn(new Board(none, Optional.empty()))).isEmpty();
  }
}
