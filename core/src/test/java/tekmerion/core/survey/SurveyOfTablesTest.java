package tekmerion.core.survey;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.params.provider.Arguments.arguments;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import tekmerion.core.DebianTool;
import tekmerion.core.DebianTool.Image;

/** Tables of partitions that sfdisk wrote, sound and damaged. */
class SurveyOfTablesTest extends MadeImages {
  /** Two partitions, FAT32 and ext4, put where the tool's table says. */
  private byte[] disk(String label) throws Exception {
    Path file = folder.resolve("disk.img");
    Files.write(file, new byte[128 * MIB]);
    String script =
        label.equals("gpt")
            ? "label: gpt\nstart=2048, size=131072, type=EBD0A0A2-B9E5-4433-87C0-68B6B72699C7,"
                + " name=charts\nstart=133120, size=65536, name=logs\n"
            : "label: dos\nstart=2048, size=131072, type=c\nstart=133120, size=100000, type=f\n"
                + "start=135168, size=65536, type=83\n";
    DebianTool.run(List.of("sfdisk", "-q", file.toString()), script);
    byte[] disk = Files.readAllBytes(file);
    byte[] fat = image(Made.FAT32);
    byte[] ext = image(Made.EXT4);
    System.arraycopy(fat, 0, disk, 2048 * 512, fat.length);
    int second = label.equals("gpt") ? 133120 : 135168;
    System.arraycopy(ext, 0, disk, second * 512, ext.length);
    return disk;
  }

  @Test
  void readsAGptWithWhatIsInItsPartitions() throws Exception {
    Survey survey = survey(disk("gpt"));

    assertThat(survey.scheme()).isEqualTo(Scheme.GPT);
    assertThat(survey.parts()).extracting(Survey.Part::name).containsExactly("charts", "logs");
    assertThat(survey.parts())
        .extracting(p -> p.volume().content())
        .containsExactly(Content.FAT32, Content.EXT4);
    assertThat(survey.damage()).isEmpty();
    assertThat(survey.reason()).isEqualTo(Reason.HEALTHY);
  }

  @Test
  void readsAnMbrWithItsChain() throws Exception {
    Survey survey = survey(disk("dos"));

    assertThat(survey.scheme()).isEqualTo(Scheme.MBR);
    assertThat(survey.parts()).extracting(Survey.Part::number).containsExactly(1, 5);
    assertThat(survey.parts())
        .extracting(p -> p.volume().content())
        .containsExactly(Content.FAT32, Content.EXT4);
  }

  /** Header zeroed, list damaged, protective MBR zeroed, copy zeroed, end cut off. */
  @ParameterizedTest
  @MethodSource("gptDamages")
  void readsADamagedGptFromWhatIsLeft(int from, int to, boolean mendable) throws Exception {
    byte[] disk = disk("gpt");
    int begin = from < 0 ? disk.length + from : from;
    int end = to <= 0 ? disk.length + to : to;

    Survey survey = survey(zeroed(disk, begin, end));

    assertThat(survey.scheme()).isEqualTo(Scheme.GPT);
    assertThat(survey.reason()).isEqualTo(Reason.DAMAGED_TABLE);
    assertThat(survey.parts())
        .extracting(p -> p.volume().content())
        .containsExactly(Content.FAT32, Content.EXT4);
    assertThat(survey.damage().get(0).canBeMended()).isEqualTo(mendable);
  }

  static Stream<Arguments> gptDamages() {
    return Stream.of(
        arguments(512, 1024, true), // the header
        arguments(1024, 1100, true), // its first entry
        arguments(0, 512, true), // the protective MBR
        arguments(-512, 0, true), // the header's copy
        arguments(0, 34 * 512, true)); // all of the beginning
  }

  @Test
  void saysThatAPartitionGoesPastTheEnd() throws Exception {
    byte[] disk = disk("dos");

    Survey survey = survey(Arrays.copyOf(disk, 80 * MIB));

    assertThat(survey.reason()).isEqualTo(Reason.DAMAGED_TABLE);
    assertThat(survey.damage()).anyMatch(d -> d.what().contains("past the end"));
  }

  /** An MBR keeps no copy: what it named is found where it begins. */
  @ParameterizedTest
  @EnumSource(MbrDamaged.class)
  void findsTheVolumesOfADamagedMbr(MbrDamaged how) throws Exception {
    byte[] disk = disk("dos");
    Survey survey =
        switch (how) {
          case ZEROED -> survey(zeroed(disk, 0, 512));
          case OVERWRITTEN -> {
            byte[] noise = new byte[512];
            new Random(29).nextBytes(noise);
            System.arraycopy(noise, 0, disk, 0, 512);
            yield survey(disk);
          }
          case SIGNATURE_LOST -> survey(zeroed(disk, 510, 512));
          case ENTRY_LOST -> survey(zeroed(disk, 446, 462));
          case CHAIN_LOST -> survey(zeroed(disk, 133120 * 512, 133121 * 512));
          case LENGTH_LOST -> {
            disk[446 + 15] = 1; // 2^24 more sectors
            yield survey(disk);
          }
          case UNREADABLE -> Survey.of(new Image(disk, 0, 512), Survey.READ_BY_MOST);
        };

    // Without any of it nobody can know which kind of table there was.
    boolean gone = EnumSet.of(MbrDamaged.ZEROED, MbrDamaged.OVERWRITTEN).contains(how);
    boolean unread = how == MbrDamaged.UNREADABLE;
    assertThat(survey.scheme()).isEqualTo(gone || unread ? Scheme.NONE : Scheme.MBR);
    assertThat(survey.reason()).isEqualTo(unread ? Reason.FAILING_READS : Reason.DAMAGED_TABLE);
    assertThat(survey.parts())
        .extracting(p -> p.volume().content())
        .containsExactlyInAnyOrder(Content.FAT32, Content.EXT4);
    assertThat(survey.parts())
        .extracting(Survey.Part::start)
        .containsExactlyInAnyOrder(2048L * 512, 135168L * 512);
  }

  enum MbrDamaged {
    ZEROED,
    OVERWRITTEN,
    SIGNATURE_LOST,
    ENTRY_LOST,
    CHAIN_LOST,
    LENGTH_LOST,
    UNREADABLE
  }
}
