package tekmerion.probe.console;

import static tekmerion.words.Words.say;

import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.link.RunKind;
import tekmerion.link.RunNames;
import tekmerion.probe.link.SoleBench;
import tekmerion.probe.linux.SysDrive;
import tekmerion.words.Language;
import tekmerion.words.Speaking;
import tekmerion.words.Words;

/** What stands on the screen, and what a key does. */
final class Console {
  private static final long LOOK_EVERY_MS = 1_000;
  private static final int CODE_LETTERS = 8;
  private static final int DRIVES = 8;
  private static final int DRIVES_WHILE_KNOCKING = 3;

  /** The menu stands in two columns. */
  private static final int MENU_COLUMN = Screens.COLUMNS / 2;

  private static final int SECONDS_OF_MINUTE = 60;

  /** From so many drives on their numbers have two digits, and Enter ends one. */
  private static final int MANY = 10;

  private static final int MAX_DRIVE_DIGITS = 3;
  private static final int ESCAPE = 27;
  private static final int BACKSPACE = 127;

  private final Screens screens;
  private final Supplier<Map<String, SysDrive>> lookAtDrives;
  private final BenchLinkOfStick link;
  private final MachineUnderTest machine;
  private final Language language;
  private final BlockingQueue<Integer> keys = new LinkedBlockingQueue<>();
  private final SoleBench bench;
  private final StickSaver saver;
  private List<SysDrive> drives = List.of();

  /** Of the drives, in the same order: what they are called in runs. */
  private List<String> partKeys = List.of();

  private Asked asked = Asked.NOTHING;
  private String typed = "";

  /** Of the drives that are shown, from 0. */
  private int first;

  /** What the next keys are for. */
  private enum Asked {
    NOTHING,
    CODE,
    DRIVE_TO_SCAN,
    DRIVE_TO_SURVEY,
    DRIVE_TO_TEST,
    WHETHER_OFF
  }

  /**
   * @param bench where work is done without the shop
   * @param lookAtDrives lists what is there now, by the key that runs call it by
   */
  Console(
      Screens screens,
      BenchLinkOfStick link,
      MachineUnderTest machine,
      SoleBench bench,
      StickSaver saver,
      Supplier<Map<String, SysDrive>> lookAtDrives,
      Language language) {
    this.lookAtDrives = lookAtDrives;
    this.bench = bench;
    this.saver = saver;
    this.screens = screens;
    this.link = link;
    this.machine = machine;
    this.language = language;
  }

  /** Returns when somebody chose to switch the machine off. */
  void run() throws InterruptedException {
    screens.listen(keys::add);
    if (link.hasServer()) {
      link.begin(null);
    }
    while (true) {
      look();
      screens.show(Words.in(Speaking.prose(language), this::lines));
      Integer key = keys.poll(LOOK_EVERY_MS, TimeUnit.MILLISECONDS);
      if (key != null && isOff(key)) {
        bench.stop();
        return;
      }
    }
  }

  /** Looks at the drives anew. */
  void look() {
    try {
      Map<String, SysDrive> now = lookAtDrives.get();
      drives = List.copyOf(now.values());
      partKeys = List.copyOf(now.keySet());
    } catch (UncheckedIOException e) {
      // One went while it was looked at: the next look, in a second, finds what is there then.
    }
  }

  List<String> lines() {
    List<String> lines = new ArrayList<>();
    lines.add(say("console.title"));
    lines.add("");
    boolean knocks = !link.digits().isEmpty() && asked == Asked.NOTHING;
    lines.addAll(MachineLines.of(machine, drives, first, knocks ? DRIVES_WHILE_KNOCKING : DRIVES));
    lines.add("");
    lines.add(say("console.link", "link", linkWords()));
    if (knocks) {
      lines.add("");
      lines.addAll(LargeDigits.lines(link.digits()));
    }
    bench.work().ifPresent(work -> lines.add(say("console.work", "work", words(work))));
    String kept = keptWords();
    if (!kept.isEmpty()) {
      lines.add(say("console.kept", "kept", kept));
    }
    lines.add("");
    lines.addAll(question());
    return lines;
  }

  private String linkWords() {
    if (!link.hasServer()) {
      return say("console.no-server");
    }
    String network = MachineLines.network();
    if (!network.isEmpty()) {
      return network;
    }
    return link.said().isEmpty() ? say("console.looks-for-the-server") : link.said();
  }

  /** "Surface scan of HELM-1000S …: 12 %, 3 min left", or what it found. */
  private String words(SoleBench.Work work) {
    int drive = partKeys.indexOf(work.partKey());
    String run =
        work.kind().isOfDrive()
            ? say(
                "console.run-of",
                "run",
                RunNames.name(work.kind()),
                "drive",
                drive < 0 ? work.partKey() : MachineLines.shortName(drives.get(drive)))
            : RunNames.name(work.kind());
    if (work.ended() != null) {
      return say(
          "console.ended",
          "run",
          run,
          "outcome",
          RunNames.end(work.ended()),
          "detail",
          RunNames.detail(work.ended()));
    }
    double minutes = Math.ceil(work.secondsLeft() / SECONDS_OF_MINUTE);
    return minutes > 0
        ? say("console.running", "run", run, "percent", percent(work.share()), "minutes", minutes)
        : say("console.running-long", "run", run, "percent", percent(work.share()));
  }

  private static double percent(double share) {
    return Math.floor(100 * share);
  }

  private String keptWords() {
    SoleBench.Kept kept = bench.kept();
    if (kept.isEmpty() && !kept.isReading()) {
      return "";
    }
    String said =
        !saver.canSave()
            ? say("console.keeps-nothing")
            : saver.isAllSaved() && !kept.isEmpty()
                ? say("console.saved")
                : saver.said().isEmpty() || saver.said().equals(say("console.saved"))
                    ? say("console.not-saved")
                    : saver.said();
    return say(
        "console.kept-so-far",
        "readings",
        kept.readings(),
        "runs",
        kept.runs(),
        "reading",
        kept.isReading() ? "yes" : "no",
        "said",
        said);
  }

  private List<String> question() {
    return switch (asked) {
      case CODE -> List.of(say("console.type-the-code", "typed", typed), say("console.back"));
      case DRIVE_TO_SCAN, DRIVE_TO_SURVEY, DRIVE_TO_TEST ->
          List.of(
              drives.size() < MANY
                  ? say("console.which-drive")
                  : say("console.which-of-many", "typed", typed),
              say("console.back"));
      case WHETHER_OFF ->
          List.of(
              saver.isAllSaved() ? say("console.really-off") : say("console.really-off-unsaved"),
              say("console.back"));
      case NOTHING -> menu();
    };
  }

  /** What can be done now, in two columns. */
  private List<String> menu() {
    boolean free = !bench.isRunning();
    List<String> all = new ArrayList<>();
    if (link.hasServer() && !link.isLinked()) {
      all.add(say("console.menu-link"));
    }
    if (free && !drives.isEmpty()) {
      all.add(say("console.menu-scan"));
      all.add(say("console.menu-survey"));
    }
    if (link.hasServer() && !link.isUnderWay()) {
      all.add(say("console.menu-knock"));
    }
    if (free) {
      all.add(say("console.menu-memory"));
    }
    if (saver.canSave()) {
      all.add(say("console.menu-save"));
    }
    all.add(say("console.menu-read"));
    if (free && !drives.isEmpty()) {
      all.add(say("console.menu-self-test"));
    }
    if (!free) {
      all.add(say("console.menu-stop"));
    }
    all.add(say("console.menu-off"));
    List<String> rows = new ArrayList<>();
    for (int i = 0; i < all.size(); i += 2) {
      String left = all.get(i);
      rows.add(
          i + 1 < all.size()
              ? left + " ".repeat(Math.max(2, MENU_COLUMN - left.length())) + all.get(i + 1)
              : left);
    }
    return rows;
  }

  /** Takes a key. */
  boolean isOff(int key) throws InterruptedException {
    if (key == ESCAPE) {
      asked = Asked.NOTHING;
      typed = "";
      first = 0;
      return false;
    }
    switch (asked) {
      case NOTHING -> choose(key);
      case CODE -> type(key);
      case DRIVE_TO_SCAN -> drive(key, RunKind.SURFACE_SCAN);
      case DRIVE_TO_SURVEY -> drive(key, RunKind.SURVEY);
      case DRIVE_TO_TEST -> drive(key, RunKind.SELF_TEST_SHORT);
      case WHETHER_OFF -> {
        if (key == '0') {
          return true;
        }
        asked = Asked.NOTHING;
      }
    }
    return false;
  }

  private void choose(int key) throws InterruptedException {
    boolean free = !bench.isRunning();
    boolean forDrive = free && !drives.isEmpty();
    if (key == '1' && link.hasServer() && !link.isLinked()) {
      asked = Asked.CODE;
    } else if (key == '2' && forDrive) {
      asked = Asked.DRIVE_TO_SCAN;
    } else if (key == '3' && forDrive) {
      asked = Asked.DRIVE_TO_SURVEY;
    } else if (key == '4' && link.hasServer() && !link.isUnderWay()) {
      link.begin(null);
    } else if (key == '5' && free) {
      bench.begin(RunKind.MEMORY_TEST, RunKind.BOARD);
    } else if (key == '6') {
      saver.begin();
    } else if (key == '7' && !bench.kept().isReading()) {
      bench.readAll();
    } else if (key == '8' && forDrive) {
      asked = Asked.DRIVE_TO_TEST;
    } else if (key == '9' && !free) {
      bench.stop();
    } else if (key == '0') {
      asked = Asked.WHETHER_OFF;
    }
  }

  private void type(int key) throws InterruptedException {
    if ((key == BACKSPACE || key == '\b') && !typed.isEmpty()) {
      typed = typed.substring(0, typed.length() - 1);
    } else if (Character.isLetterOrDigit(key) && typed.length() < CODE_LETTERS) {
      typed += Character.toString(Character.toUpperCase(key));
    } else if ((key == '\r' || key == '\n') && typed.length() == CODE_LETTERS) {
      link.begin(typed.substring(0, 4) + "-" + typed.substring(4));
      asked = Asked.NOTHING;
      typed = "";
    }
  }

  private void drive(int key, RunKind run) {
    if (key == ' ') {
      first = first + DRIVES < drives.size() ? first + DRIVES : 0;
    } else if ((key == BACKSPACE || key == '\b') && !typed.isEmpty()) {
      typed = typed.substring(0, typed.length() - 1);
    } else if (Character.isDigit(key) && typed.length() < MAX_DRIVE_DIGITS) {
      typed += Character.toString(key);
    }
    boolean isWhole = drives.size() < MANY || key == '\r' || key == '\n';
    if (isWhole && !typed.isEmpty()) {
      begin(run, Integer.parseInt(typed) - 1);
    }
  }

  private void begin(RunKind run, int drive) {
    if (drive >= 0 && drive < drives.size()) {
      bench.begin(run, partKeys.get(drive));
      asked = Asked.NOTHING;
      first = 0;
    }
    typed = "";
  }
}
