package tekmerion.probe.instrument;

import java.io.IOException;
import java.nio.charset.CharacterCodingException;
import java.nio.file.AccessDeniedException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.FileSystemException;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import picocli.CommandLine;
import picocli.CommandLine.IExecutionExceptionHandler;
import picocli.CommandLine.IParameterExceptionHandler;
import picocli.CommandLine.ParameterException;
import tekmerion.core.port.ReadEndedException;
import tools.jackson.core.JacksonException;
import tools.jackson.core.TokenStreamLocation;
import tools.jackson.databind.json.JsonMapper;

/**
 * One place where whatever an instrument cannot do becomes one object on standard error and exit
 * code 2: no stack trace and no names of classes.
 */
public final class InstrumentErrors
    implements IExecutionExceptionHandler, IParameterExceptionHandler {
  private static final int CANNOT = 2;
  private static final JsonMapper JSON = JsonMapper.builder().build();

  @Override
  public int handleExecutionException(
      Exception e, CommandLine command, CommandLine.ParseResult parsed) {
    return tell(told(e));
  }

  @Override
  public int handleParseException(ParameterException e, String[] args) {
    String command = e.getCommandLine().getCommandSpec().qualifiedName();
    return tell(
        BadInputException.of(
            e.getMessage(), "as " + command + " --help says", String.join(" ", args), null));
  }

  private static int tell(BadInputException e) {
    System.err.println(JSON.writeValueAsString(e.json()));
    return CANNOT;
  }

  private static BadInputException told(Throwable e) {
    if (e instanceof BadInputException bad) {
      return bad;
    }
    if (e instanceof FileSystemException file) {
      return file(file);
    }
    if (e instanceof CharacterCodingException) {
      return BadInputException.of("the file is no text", "text in UTF-8", "other bytes", null);
    }
    if (e instanceof JacksonException json) {
      return json(json);
    }
    if (e instanceof ReadEndedException) {
      return BadInputException.of(
          "it could not be read on: " + e.getMessage(), "a source that answers", "none", null);
    }
    if (e.getCause() instanceof IOException cause) {
      return told(cause);
    }
    String what = e.getMessage() == null ? "the instrument failed" : e.getMessage();
    return BadInputException.of(what, "as docs/formats.md and --help have it", null, null);
  }

  private static BadInputException file(FileSystemException e) {
    String why =
        e instanceof NoSuchFileException
            ? "nothing of this name"
            : e instanceof AccessDeniedException
                ? "one that this user may not open"
                : e instanceof FileAlreadyExistsException
                    ? "a file of this name already"
                    : String.valueOf(e.getReason());
    Path file = e.getFile() == null ? null : Path.of(e.getFile());
    return BadInputException.of("the file cannot be opened", "a readable file", why, file);
  }

  /** Without what Jackson says of our own classes. */
  static BadInputException json(JacksonException e) {
    TokenStreamLocation at = e.getLocation();
    String found = e.getOriginalMessage().lines().findFirst().orElse("");
    String plain =
        found.replaceAll(
            "\\(?class [\\w.$]+\\)?|`[\\w.$<>]+`|\\b(?:java|tekmerion)\\.[\\w.$]+", "…");
    long line = at == null ? 1 : Math.max(1, at.getLineNr());
    return BadInputException.atLine(
        "this is not the JSON that is wanted", line, "the form in docs/formats.md", plain, null);
  }
}
