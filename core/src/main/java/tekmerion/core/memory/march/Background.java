package tekmerion.core.memory.march;

import tekmerion.core.port.MemoryRegion.Data;

/**
 * What "0" is in a word. With the six stripe backgrounds beside the solid one every pair of bits of
 * a word gets each combination of values.
 *
 * @see "Van de Goor & Tlili: March tests for word-oriented memories. DATE 1998, section 3: ⌈log2 B⌉
 *     + 1 backgrounds for words of B bits"
 */
public enum Background implements Data {
  SOLID(0L),
  STRIPES_1(0x5555_5555_5555_5555L),
  STRIPES_2(0x3333_3333_3333_3333L),
  STRIPES_4(0x0F0F_0F0F_0F0F_0F0FL),
  STRIPES_8(0x00FF_00FF_00FF_00FFL),
  STRIPES_16(0x0000_FFFF_0000_FFFFL),
  STRIPES_32(0x0000_0000_FFFF_FFFFL),
  /** Each bit differs from its neighbours in the word and in the words beside it. */
  CHECKERBOARD(0x5555_5555_5555_5555L) {
    @Override
    public long zeroAt(long word) {
      return (word & 1) == 0 ? super.zeroAt(word) : ~super.zeroAt(word);
    }

    @Override
    public boolean isSolid() {
      return false;
    }
  },
  /** Each word holds its own number. */
  ADDRESS(0L) {
    @Override
    public long zeroAt(long word) {
      return word;
    }

    @Override
    public boolean isSolid() {
      return false;
    }
  };

  private final long pattern;

  Background(long pattern) {
    this.pattern = pattern;
  }

  @Override
  public long zeroAt(long word) {
    return pattern;
  }

  @Override
  public boolean isSolid() {
    return true;
  }
}
