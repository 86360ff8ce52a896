package tekmerion.probe.instrument;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.Locale;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** Files as instruments read them: what is too large, empty or a folder is told as that. */
final class Input {
  private Input() {}

  /**
   * @param mostBytes a file over this is refused before it is read
   * @throws BadInputException if it cannot be read, is none, is empty or too large
   */
  static byte[] bytes(Path file, long mostBytes) {
    mayBeEmpty(file, mostBytes);
    try {
      return Files.readAllBytes(file);
    } catch (IOException e) {
      throw BadInputException.of(
          "the file cannot be read", "a readable file", e.getMessage(), file);
    }
  }

  static void check(Path file, long mostBytes) {
    if (mayBeEmpty(file, mostBytes) == 0) {
      throw BadInputException.atOffset("the file is empty", 0, "content", "0 bytes", file);
    }
  }

  private static long mayBeEmpty(Path file, long mostBytes) {
    try {
      if (!Files.exists(file)) {
        throw new NoSuchFileException(file.toString());
      }
      if (!Files.isRegularFile(file)) {
        throw BadInputException.of(
            "this is no file", "a file", Files.isDirectory(file) ? "a folder" : "a device", file);
      }
      long size = Files.size(file);
      if (size > mostBytes) {
        throw BadInputException.of(
            "the file is too large",
            String.format(Locale.ROOT, "at most %,d bytes", mostBytes),
            String.format(Locale.ROOT, "%,d bytes", size),
            file);
      }
      return size;
    } catch (NoSuchFileException e) {
      throw BadInputException.of(
          "the file cannot be opened", "a readable file", "nothing of this name", file);
    } catch (IOException e) {
      throw BadInputException.of(
          "the file cannot be read", "a readable file", e.getMessage(), file);
    }
  }

  /**
   * @throws BadInputException if it is not of this form; JSON's null is none either
   */
  static <T> T json(Path file, long mostBytes, Class<T> type, JsonMapper mapper) {
    byte[] bytes = bytes(file, mostBytes);
    T value;
    try {
      value = mapper.readValue(bytes, type);
    } catch (JacksonException e) {
      throw InstrumentErrors.json(e);
    }
    if (value == null) {
      throw BadInputException.atLine(
          "this is not the JSON that is wanted", 1, "the form in docs/formats.md", "null", file);
    }
    return value;
  }

  /** An option's number that is within its domain. */
  static double within(String option, double value, double least, double most) {
    if (!(value >= least && value <= most)) {
      throw BadInputException.of(
          option + " is out of its range",
          "%s to %s".formatted(plain(least), plain(most)),
          plain(value),
          null);
    }
    return value;
  }

  private static String plain(double value) {
    return value == Math.rint(value) && Math.abs(value) < 1e15
        ? Long.toString((long) value)
        : Double.toString(value);
  }
}
