package tekmerion.probe.instrument;

import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;

/**
 * What an instrument cannot take, told as one object on standard error: {@code what}, {@code
 * offset} or {@code line}, {@code expected}, {@code found}, {@code file}. A field that says nothing
 * is left out.
 */
final class BadInputException extends RuntimeException {
  private static final long serialVersionUID = 1L;

  private final transient Map<String, Object> error = new LinkedHashMap<>();

  private BadInputException(String what) {
    super(what);
    error.put("what", what);
  }

  /**
   * @param file null if it is no file's
   */
  static BadInputException of(String what, String expected, String found, Path file) {
    return new BadInputException(what).and("expected", expected).and("found", found).in(file);
  }

  static BadInputException atOffset(
      String what, long offset, String expected, String found, Path file) {
    return new BadInputException(what)
        .and("offset", offset)
        .and("expected", expected)
        .and("found", found)
        .in(file);
  }

  static BadInputException atLine(
      String what, long line, String expected, String found, Path file) {
    return new BadInputException(what)
        .and("line", line)
        .and("expected", expected)
        .and("found", found)
        .in(file);
  }

  private BadInputException and(String name, Object value) {
    error.put(name, value);
    return this;
  }

  private BadInputException in(Path file) {
    return file == null ? this : and("file", String.valueOf(file.getFileName()));
  }

  Map<String, Object> json() {
    return Map.of("error", error);
  }
}
