package tekmerion.core.survey;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.params.provider.Arguments.arguments;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.HexFormat;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import tekmerion.core.DebianTool.Image;

/** Images made by Debian's own tools, sound and damaged. */
class SurveyTest extends MadeImages {
  /** What stands in front of its description, or says nothing of it. */
  private static final Set<Made> WITHOUT_LENGTH =
      EnumSet.of(Made.LUKS1, Made.LUKS2, Made.MD_1_0, Made.MD_0_90);

  static Stream<Made> made() {
    return Arrays.stream(Made.values());
  }

  @ParameterizedTest
  @MethodSource("made")
  void namesWhatADebianToolMade(Made made) throws Exception {
    Survey survey = survey(image(made));

    Volume volume = only(survey);
    assertThat(survey.scheme()).isEqualTo(Scheme.NONE);
    assertThat(volume.content()).isEqualTo(made.content);
    assertThat(volume.damage()).isEmpty();
    assertThat(survey.reason())
        .isEqualTo(
            made.content.isEncrypted()
                ? Reason.ENCRYPTED
                : Survey.READ_BY_MOST.contains(made.content)
                    ? Reason.HEALTHY
                    : Reason.FOREIGN_FILE_SYSTEM);
    if (!made.content.isEncrypted() && made != Made.MD_0_90) {
      // An array's name has the machine's in front of it.
      assertThat(volume.label().orElse("")).endsWith("HARBOUR");
    }
    if (!WITHOUT_LENGTH.contains(made)) {
      assertThat(volume.sizeBytes().orElseThrow())
          .isBetween((long) made.mebibytes * MIB * 9 / 10, (long) made.mebibytes * MIB);
    }
  }

  /** With the tool that made it: dumpe2fs and the like would only say the same again. */
  @Test
  void tellsUsedSpaceWhereTheSuperblockDoes() throws Exception {
    for (Made made : List.of(Made.EXT4, Made.FAT32, Made.XFS, Made.BTRFS)) {
      Volume volume = only(survey(image(made)));
      assertThat(volume.usedBytes().orElseThrow())
          .as(made.name())
          .isBetween(0L, volume.sizeBytes().orElseThrow() / 2);
    }
  }

  /** Its first sector or superblock is zeroed; a copy is where each keeps one. */
  @ParameterizedTest
  @MethodSource("withCopies")
  void findsTheCopyOfALostBootSectorOrSuperblock(Made made, int from, int to) throws Exception {
    Survey survey = survey(zeroed(image(made), from, to));

    Volume volume = only(survey);
    assertThat(volume.content()).isEqualTo(made.content);
    assertThat(survey.reason()).isEqualTo(Reason.DAMAGED_BOOT_SECTOR);
    assertThat(volume.damage().get(0).canBeMended()).isTrue();
  }

  static Stream<Arguments> withCopies() {
    return Stream.of(
        arguments(Made.EXT2, 1024, 2048),
        arguments(Made.EXT3, 1024, 2048),
        arguments(Made.EXT4, 1024, 2048),
        arguments(Made.FAT32, 0, 512),
        arguments(Made.EXFAT, 0, 512),
        arguments(Made.NTFS, 0, 512),
        arguments(Made.XFS, 0, 512),
        arguments(Made.BTRFS, 64 << 10, (64 << 10) + 4096),
        arguments(Made.LUKS2, 0, 512));
  }

  /** One bit of what its own checksum covers. */
  @ParameterizedTest
  @MethodSource("withChecksums")
  void noticesAFlippedBit(Made made, int at) throws Exception {
    byte[] image = image(made);
    image[at] ^= 1;

    Survey survey = survey(image);

    assertThat(only(survey).content()).isEqualTo(made.content);
    assertThat(survey.reason()).isEqualTo(Reason.DAMAGED_BOOT_SECTOR);
    assertThat(only(survey).damage().get(0).what()).contains("checksum");
    assertThat(only(survey).damage().get(0).canBeMended()).isTrue();
  }

  static Stream<Arguments> withChecksums() {
    return Stream.of(
        arguments(Made.EXT4, 1024 + 0x30), // time of last write
        arguments(Made.EXFAT, 100), // serial
        arguments(Made.XFS, 150), // free blocks
        arguments(Made.BTRFS, (64 << 10) + 0x78)); // used bytes
  }

  /** As above, but other copies are on other disks, or there is none. */
  @ParameterizedTest
  @MethodSource("withChecksumsOnly")
  void noticesAFlippedBitThatNoCopyMends(Made made, int at) throws Exception {
    byte[] image = image(made);
    image[at < 0 ? image.length + at : at] ^= 1;

    Survey survey = survey(image);

    assertThat(only(survey).content()).isEqualTo(made.content);
    assertThat(survey.reason()).isEqualTo(Reason.DAMAGED_BOOT_SECTOR);
    assertThat(only(survey).damage().get(0).what()).contains("checksum");
    assertThat(only(survey).damage().get(0).canBeMended()).isFalse();
  }

  static Stream<Arguments> withChecksumsOnly() {
    return Stream.of(
        arguments(Made.LVM, 512 + 70), // size of the physical volume
        arguments(Made.MD_1_2, 4096 + 72), // level
        arguments(Made.MD_1_0, -8192 + 72),
        arguments(Made.MD_0_90, -65536 + 28)); // level
  }

  @ParameterizedTest
  @MethodSource("made")
  void saysThatTheBeginningCannotBeRead(Made made) throws Exception {
    byte[] image = image(made);

    Survey survey = Survey.of(new Image(image, 0, image.length * 3L / 4), Survey.READ_BY_MOST);

    assertThat(survey.reason())
        .isIn(Reason.FAILING_READS, Reason.DAMAGED_BOOT_SECTOR); // a copy at the end may be read
    assertThat(survey.failedReads()).isPositive();
  }

  @ParameterizedTest
  @MethodSource("made")
  void saysThatAllOfItIsGone(Made made) throws Exception {
    byte[] image = image(made);

    assertThat(survey(zeroed(image, 0, image.length)).reason()).isEqualTo(Reason.BLANK);
  }

  @Test
  void tellsBlankFromRandomFromUnknown() {
    byte[] random = new byte[4 * MIB];
    new Random(3).nextBytes(random);
    byte[] text = "harbour ".repeat(MIB / 2).getBytes(StandardCharsets.US_ASCII);

    assertThat(survey(new byte[4 * MIB]).reason()).isEqualTo(Reason.BLANK);
    assertThat(only(survey(random)).content()).isEqualTo(Content.RANDOM);
    assertThat(survey(random).reason()).isEqualTo(Reason.MAYBE_ENCRYPTED);
    assertThat(survey(text).reason()).isEqualTo(Reason.UNKNOWN);
  }

  /**
   * Inside Macintosh, Devices, 3-23 and 3-25: a descriptor, a map of two entries, and an HFS+
   * volume from block 64 to the disk's end, whose header is at its byte 1,024 and again 1,024
   * before its end (TN1150).
   */
  private static byte[] appleDisk() {
    byte[] disk = new byte[4 * MIB];
    int blocks = disk.length / 512;
    put(disk, 0, "45520200");
    for (int i = 1; i <= 2; i++) {
      put(disk, 512 * i, "504d0000" + "00000002");
    }
    put(disk, 512 + 8, "00000001" + "0000003f");
    put(disk, 512 + 48, text("Apple_partition_map"));
    put(disk, 1024 + 8, "00000040" + "%08x".formatted(blocks - 64));
    put(disk, 1024 + 16, text("Harbour"));
    put(disk, 1024 + 48, text("Apple_HFS"));
    int start = 64 * 512;
    for (int header : new int[] {start + 1024, disk.length - 1024}) {
      put(disk, header, "482b0004");
      put(disk, header + 40, "00001000" + "%08x".formatted((disk.length - start) / 4096));
    }
    return disk;
  }

  private static void put(byte[] into, int at, String hex) {
    byte[] bytes = java.util.HexFormat.of().parseHex(hex);
    System.arraycopy(bytes, 0, into, at, bytes.length);
  }

  @Test
  void knowsApplesPartitionMapAndProposesToWriteNothing() {
    byte[] disk = appleDisk();
    Survey whole = survey(disk);

    assertThat(whole.scheme()).isEqualTo(Scheme.APM);
    assertThat(whole.reason()).isEqualTo(Reason.FOREIGN_FILE_SYSTEM);
    assertThat(whole.parts()).hasSize(1);
    assertThat(whole.parts().get(0).name()).isEqualTo("Harbour");
    assertThat(whole.parts().get(0).volume().content()).isEqualTo(Content.HFS_PLUS);
    assertThat(mendable(whole)).isZero();
  }

  /** The copy at the disk's end is of a volume that begins elsewhere: it belongs nowhere else. */
  @Test
  void aCopyThatDoesNotAgreeWithItsSpanIsNotProposed() {
    byte[] disk = appleDisk();
    java.util.Arrays.fill(disk, 0, 2048, (byte) 0);

    assertThat(mendable(survey(disk))).isZero();
  }

  private static long mendable(Survey survey) {
    return survey.parts().stream()
            .flatMap(p -> p.volume().damage().stream())
            .filter(Damage::canBeMended)
            .count()
        + survey.damage().stream().filter(Damage::canBeMended).count();
  }

  @Test
  void tellsATableWithoutPartitionsFromNothingThatIsKnown() {
    byte[] disk = new byte[4 * MIB];
    put(disk, 510, "55aa");

    assertThat(survey(disk).scheme()).isEqualTo(Scheme.MBR);
    assertThat(survey(disk).reason()).isEqualTo(Reason.NO_PARTITIONS);
  }

  @Test
  void aProtectiveEntryAloneIsAGptThatIsGone() {
    byte[] disk = new byte[4 * MIB];
    put(disk, 446, "00" + "000200" + "ee" + "ffffff" + "01000000" + "ff1f0000");
    put(disk, 510, "55aa");

    assertThat(survey(disk).scheme()).isEqualTo(Scheme.GPT);
    assertThat(survey(disk).reason()).isEqualTo(Reason.DAMAGED_TABLE);
  }

  /** Laid out after their formats: their tools want devices of the kernel's. */
  @Test
  void knowsMembersOfLargerThingsAndVolumesOfOtherSystems() {
    assertThat(content(4096, "fc4e2ba9")).isEqualTo(Content.MD_RAID); // a92b4efc, little-endian
    assertThat(content(512, text("LABELONE"), 512 + 24, text("LVM2 001"))).isEqualTo(Content.LVM);
    assertThat(content(32, text("NXSB"))).isEqualTo(Content.APFS);
    assertThat(content(1024, "482b0004")).isEqualTo(Content.HFS_PLUS);
    assertThat(content(32769, text("CD001"))).isEqualTo(Content.ISO_9660);
    assertThat(content(32769, text("BEA01"), 32768 + 2049, text("NSR02"))).isEqualTo(Content.UDF);
    assertThat(content(3, text("-FVE-FS-"))).isEqualTo(Content.ENCRYPTED_VOLUME);
  }

  private static String text(String text) {
    return HexFormat.of().formatHex(text.getBytes(StandardCharsets.US_ASCII));
  }

  private static Content content(Object... places) {
    byte[] bytes = new byte[4 * MIB];
    for (int i = 0; i < places.length; i += 2) {
      byte[] piece = HexFormat.of().parseHex((String) places[i + 1]);
      System.arraycopy(piece, 0, bytes, (Integer) places[i], piece.length);
    }
    return only(survey(bytes)).content();
  }

  /** What keeps a copy of what tells of it outside the first mebibyte, or at least elsewhere. */
  private static final Set<Made> WITH_COPY =
      EnumSet.of(
          Made.EXT2,
          Made.EXT3,
          Made.EXT4,
          Made.FAT32,
          Made.EXFAT,
          Made.NTFS,
          Made.XFS,
          Made.BTRFS,
          Made.LUKS2);

  /** Its copy lies behind the first mebibyte. */
  private static final Set<Made> WITH_FAR_COPY =
      EnumSet.of(Made.EXT2, Made.EXT3, Made.EXT4, Made.NTFS, Made.XFS, Made.BTRFS);

  static Stream<Arguments> madeAndDamaged() {
    return made()
        .filter(m -> !m.isByKernel())
        .flatMap(m -> Arrays.stream(Damaged.values()).map(d -> arguments(m, d)));
  }

  @ParameterizedTest
  @MethodSource("madeAndDamaged")
  void namesWhatIsLeftAndWhyItCannotBeOpened(Made made, Damaged how) throws Exception {
    Survey survey = damaged(made, image(made), how);

    Content content = only(survey).content();
    Reason reason = survey.reason();
    switch (how) {
      case BLANKED -> assertThat(reason).isEqualTo(Reason.BLANK);
      case CUT -> {
        // What keeps no length of its own, as encryption does not, cannot miss its end.
        assertThat(content).isEqualTo(made.content);
        boolean encrypted = made.content.isEncrypted();
        assertThat(reason).isEqualTo(encrypted ? Reason.ENCRYPTED : Reason.DAMAGED_BOOT_SECTOR);
        assertThat(encrypted || only(survey).damage().get(0).what().contains("longer")).isTrue();
      }
      case UNREADABLE -> {
        boolean found = WITH_FAR_COPY.contains(made);
        assertThat(reason).isEqualTo(found ? Reason.DAMAGED_BOOT_SECTOR : Reason.FAILING_READS);
        assertThat(content).isEqualTo(found ? made.content : Content.UNREADABLE);
      }
      default -> {
        boolean found = WITH_COPY.contains(made);
        assertThat(content == made.content).as("%s, %s", content, reason).isEqualTo(found);
        // Of a swap area that nobody used nothing is left then.
        Reason none = made == Made.SWAP && how == Damaged.ZEROED ? Reason.BLANK : Reason.UNKNOWN;
        assertThat(reason).isEqualTo(found ? Reason.DAMAGED_BOOT_SECTOR : none);
      }
    }
  }

  /** What is left of them is in part what they hold: an ext4 in each, where its data begin. */
  @ParameterizedTest
  @MethodSource("madeByKernelAndDamaged")
  void namesWhatIsLeftOfAMemberOfSomethingLarger(
      Made made, Damaged how, Content content, Reason reason) throws Exception {
    Survey survey = damaged(made, image(made), how);

    assertThat(only(survey).content()).isEqualTo(content);
    assertThat(survey.reason()).isEqualTo(reason);
    if (how == Damaged.CUT) {
      assertThat(only(survey).damage().get(0).what()).contains("longer");
    }
  }

  static Stream<Arguments> madeByKernelAndDamaged() {
    Stream<Arguments> lvm =
        Stream.of(
            // Its description of the group is behind the label.
            arguments(Made.LVM, Damaged.ZEROED, Content.LVM, Reason.DAMAGED_BOOT_SECTOR),
            arguments(Made.LVM, Damaged.OVERWRITTEN, Content.LVM, Reason.DAMAGED_BOOT_SECTOR),
            arguments(Made.LVM, Damaged.UNREADABLE, Content.EXT4, Reason.FAILING_READS),
            arguments(Made.LVM, Damaged.BLANKED, Content.BLANK, Reason.BLANK),
            arguments(Made.LVM, Damaged.CUT, Content.LVM, Reason.DAMAGED_BOOT_SECTOR));
    Stream<Arguments> inFront =
        Stream.of(
            // A volume at the first mebibyte that nothing names: as if of a lost table.
            arguments(Made.MD_1_2, Damaged.ZEROED, Content.EXT4, Reason.DAMAGED_TABLE),
            arguments(Made.MD_1_2, Damaged.OVERWRITTEN, Content.EXT4, Reason.DAMAGED_TABLE),
            arguments(Made.MD_1_2, Damaged.UNREADABLE, Content.EXT4, Reason.FAILING_READS),
            arguments(Made.MD_1_2, Damaged.BLANKED, Content.BLANK, Reason.BLANK),
            arguments(Made.MD_1_2, Damaged.CUT, Content.MD_RAID, Reason.DAMAGED_BOOT_SECTOR));
    Stream<Arguments> behind =
        Stream.of(Made.MD_1_0, Made.MD_0_90)
            .flatMap(
                m ->
                    Stream.of(
                        // Without it the first member is an ext4 like any other.
                        arguments(m, Damaged.ZEROED, Content.EXT4, Reason.FOREIGN_FILE_SYSTEM),
                        arguments(m, Damaged.OVERWRITTEN, Content.EXT4, Reason.FOREIGN_FILE_SYSTEM),
                        arguments(m, Damaged.UNREADABLE, Content.MD_RAID, Reason.FAILING_READS),
                        arguments(m, Damaged.BLANKED, Content.BLANK, Reason.BLANK),
                        arguments(m, Damaged.CUT, Content.EXT4, Reason.DAMAGED_BOOT_SECTOR)));
    return Stream.of(lvm, inFront, behind).flatMap(s -> s);
  }

  /** Whatever the bytes are, there is an answer. */
  @Test
  void neverFailsOnMutatedImages() throws Exception {
    Random random = new Random(11);
    for (Made made : List.of(Made.EXT4, Made.FAT32, Made.EXFAT, Made.NTFS, Made.BTRFS)) {
      byte[] image = image(made);
      byte[] beginning = Arrays.copyOf(image, 128 << 10);
      for (int i = 0; i < 30; i++) {
        for (int m = 0; m < 200; m++) {
          image[random.nextInt(beginning.length)] = (byte) random.nextInt(256);
        }
        assertThat(survey(image).parts()).hasSizeBetween(1, 1024);
        System.arraycopy(beginning, 0, image, 0, beginning.length);
      }
    }
  }
}
