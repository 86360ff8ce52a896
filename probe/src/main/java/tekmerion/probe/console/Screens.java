package tekmerion.probe.console;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.IntConsumer;

/** Every terminal of the machine shows the same and takes keys. */
final class Screens implements AutoCloseable {
  static final int COLUMNS = 80;
  static final int ROWS = 25;

  /** ECMA-48: home, then what is left of each line and of the screen. */
  private static final String HOME = "\u001b[H";

  private static final String SET_IN = "        ";

  private static final String REST_OF_LINE = "\u001b[K\r\n";
  private static final String REST_OF_SCREEN = "\u001b[J";

  private final List<OutputStream> shown = new ArrayList<>();
  private final List<InputStream> keys = new ArrayList<>();
  private String last = "";

  /**
   * @param terminals device files; one that cannot be opened is left out
   */
  Screens(List<Path> terminals) {
    for (Path terminal : terminals) {
      try {
        shown.add(Files.newOutputStream(terminal));
        keys.add(Files.newInputStream(terminal));
      } catch (IOException e) {
        // The machine has no such terminal: the others are enough.
      }
    }
  }

  /** Shows these lines, broken at words where they are too long; the same is not written again. */
  synchronized void show(List<String> lines) {
    List<String> fitted = lines.stream().flatMap(line -> broken(plain(line)).stream()).toList();
    StringBuilder text = new StringBuilder(HOME);
    for (String line : fitted.subList(0, Math.min(fitted.size(), ROWS - 1))) {
      text.append(line).append(REST_OF_LINE);
    }
    text.append(REST_OF_SCREEN);
    if (text.toString().equals(last)) {
      return;
    }
    last = text.toString();
    for (OutputStream to : shown) {
      try {
        to.write(last.getBytes(StandardCharsets.UTF_8));
        to.flush();
      } catch (IOException e) {
        // Nobody sees that one; the others go on.
      }
    }
  }

  /** What a drive or a firmware says of itself moves no cursor and changes no colour. */
  static String plain(String line) {
    return line.replaceAll("\\p{Cntrl}", " ");
  }

  /** Lines that fit, broken at spaces where there are any; those that follow are set in. */
  static List<String> broken(String line) {
    List<String> lines = new ArrayList<>();
    String rest = line;
    while (rest.length() > COLUMNS) {
      int space = rest.lastIndexOf(' ', COLUMNS);
      int end = space > SET_IN.length() ? space : COLUMNS;
      lines.add(rest.substring(0, end));
      rest = SET_IN + rest.substring(end).stripLeading();
    }
    lines.add(rest);
    return lines;
  }

  /** Every key of any terminal, until it is closed. */
  void listen(IntConsumer key) {
    for (InputStream from : keys) {
      Thread reader =
          new Thread(
              () -> {
                try {
                  for (int read = from.read(); read >= 0; read = from.read()) {
                    key.accept(read);
                  }
                } catch (IOException e) {
                  // That terminal is gone.
                }
              },
              "keys");
      reader.setDaemon(true);
      reader.start();
    }
  }

  @Override
  public void close() {
    for (OutputStream to : shown) {
      try {
        to.close();
      } catch (IOException e) {
        // It is over.
      }
    }
  }
}
