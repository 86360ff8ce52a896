package tekmerion.probe.linux;

import static tekmerion.words.Words.say;

import com.sun.jna.LastErrorException;
import com.sun.jna.Memory;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import tekmerion.core.drive.KernelLog;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.PageAnswer;

/** The kernel's ring buffer, whole: klogctl(3) of the C library. */
final class KernelRing {
  private static final int READ_ALL = 3;
  private static final int SIZE = 10;
  private static final int MAX_BYTES = 32_000;

  /**
   * Lines that name this drive and concern reading or its link, oldest first. Names are given anew
   * when drives come and go: only what was logged since this one got its name is its own.
   */
  PageAnswer of(SysDrive drive) {
    return read(lines -> page(since(lines, drive), drive.logNames()));
  }

  /** The lines after the last one that gives its name to a drive; none if that was another one. */
  static List<String> since(List<String> lines, SysDrive drive) {
    String name = Pattern.quote(drive.name());
    Pattern given =
        drive.bus() == SysDrive.Bus.NVME
            ? Pattern.compile(
                "nvme %s: pci function (\\S+)".formatted(drive.name().replaceFirst("n\\d+$", "")))
            : Pattern.compile(
                "sd (\\S+): \\[%s\\] [\\d,]+ \\d+-byte logical blocks".formatted(name));
    for (int i = lines.size() - 1; i >= 0; i--) {
      Matcher line = given.matcher(lines.get(i));
      if (line.find()) {
        boolean same = drive.scsiAddress().map(line.group(1)::equals).orElse(true);
        return same ? lines.subList(i, lines.size()) : List.of();
      }
    }
    return lines; // it has had its name for as long as the log goes back
  }

  /** Lines of a sort, oldest first. */
  PageAnswer lines(Predicate<String> wanted) {
    return read(lines -> page(lines, wanted));
  }

  private static PageAnswer read(Function<List<String>, RawPage> page) {
    try {
      int size = NativeCalls.klogctl(SIZE, null, 0);
      try (Memory buffer = new Memory(Math.max(1, size))) {
        int length = NativeCalls.klogctl(READ_ALL, buffer, size);
        String all = new String(buffer.getByteArray(0, length), StandardCharsets.UTF_8);
        return new PageAnswer.Got(page.apply(all.lines().toList()));
      }
    } catch (LastErrorException e) {
      return new PageAnswer.CouldNotRun(
          say("probe.the-kernel-log-cannot-be-read", "why", e.getMessage()));
    }
  }

  /**
   * @param names by which the log may speak of the drive; whole words, so that sda is not sdaa
   */
  static RawPage page(List<String> lines, List<String> names) {
    Pattern named =
        Pattern.compile(
            names.stream().map(Pattern::quote).collect(Collectors.joining("|", "\\b(?:", ")\\b")));
    return page(lines, line -> KernelLog.concerns(line) && named.matcher(line).find());
  }

  private static RawPage page(List<String> lines, Predicate<String> wanted) {
    StringBuilder text = new StringBuilder();
    for (String line : lines) {
      if (text.length() + line.length() < MAX_BYTES && wanted.test(line)) {
        text.append(line).append('\n');
      }
    }
    return new RawPage(text.toString().getBytes(StandardCharsets.UTF_8));
  }
}
