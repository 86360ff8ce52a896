package tekmerion.probe.console;

import static tekmerion.words.Words.say;

import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import tekmerion.core.port.MachineUnderTest;
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

  /** From so many drives on their numbers have two digits, and Enter ends one. */
  private static final int MANY = 10;

  private static final int MAX_DRIVE_DIGITS = 3;
  private static final int ESCAPE = 27;
  private static final int BACKSPACE = 127;

  private final Screens screens;
  private final Supplier<List<SysDrive>> lookAtDrives;
  private final BenchLinkOfStick link;
  private final MachineUnderTest machine;
  private final Language language;
  private final BlockingQueue<Integer> keys = new LinkedBlockingQueue<>();
  private final SoleWork work = new SoleWork();
  private List<SysDrive> drives = List.of();
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
    WHETHER_OFF
  }

  /**
   * @param lookAtDrives lists what is there now
   */
  Console(
      Screens screens,
      BenchLinkOfStick link,
      MachineUnderTest machine,
      Supplier<List<SysDrive>> lookAtDrives,
      Language language) {
    this.lookAtDrives = lookAtDrives;
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
        work.stop();
        return;
      }
    }
  }

  /** Looks at the drives anew. */
  void look() {
    try {
      drives = lookAtDrives.get();
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
    String does = work.words();
    if (!does.isEmpty()) {
      lines.add(say("console.work", "work", does));
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

  private List<String> question() {
    return switch (asked) {
      case CODE -> List.of(say("console.type-the-code", "typed", typed), say("console.back"));
      case DRIVE_TO_SCAN, DRIVE_TO_SURVEY ->
          List.of(
              drives.size() < MANY
                  ? say("console.which-drive")
                  : say("console.which-of-many", "typed", typed),
              say("console.back"));
      case WHETHER_OFF -> List.of(say("console.really-off"), say("console.back"));
      case NOTHING -> menu();
    };
  }

  private List<String> menu() {
    List<String> menu = new ArrayList<>();
    if (link.hasServer() && !link.isLinked()) {
      menu.add(say("console.menu-link"));
    }
    if (work.isRunning()) {
      menu.add(say("console.menu-stop"));
    } else if (!drives.isEmpty()) {
      menu.add(say("console.menu-scan"));
      menu.add(say("console.menu-survey"));
    }
    if (!work.isRunning()) {
      menu.add(say("console.menu-memory"));
    }
    if (link.hasServer() && !link.isUnderWay()) {
      menu.add(say("console.menu-knock"));
    }
    menu.add(say("console.menu-off"));
    return menu;
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
      case DRIVE_TO_SCAN -> drive(key, "surface");
      case DRIVE_TO_SURVEY -> drive(key, "survey");
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
    boolean free = !work.isRunning() && !drives.isEmpty();
    if (key == '1' && link.hasServer() && !link.isLinked()) {
      asked = Asked.CODE;
    } else if (key == '4' && link.hasServer() && !link.isUnderWay()) {
      link.begin(null);
    } else if (key == '2' && free) {
      asked = Asked.DRIVE_TO_SCAN;
    } else if (key == '3' && free) {
      asked = Asked.DRIVE_TO_SURVEY;
    } else if (key == '5' && !work.isRunning()) {
      work.beginMarch();
    } else if (key == '9' && work.isRunning()) {
      work.stop();
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

  private void drive(int key, String command) {
    if (key == ' ') {
      first = first + DRIVES < drives.size() ? first + DRIVES : 0;
    } else if ((key == BACKSPACE || key == '\b') && !typed.isEmpty()) {
      typed = typed.substring(0, typed.length() - 1);
    } else if (Character.isDigit(key) && typed.length() < MAX_DRIVE_DIGITS) {
      typed += Character.toString(key);
    }
    boolean isWhole = drives.size() < MANY || key == '\r' || key == '\n';
    if (isWhole && !typed.isEmpty()) {
      begin(command, Integer.parseInt(typed) - 1);
    }
  }

  private void begin(String command, int drive) {
    if (drive >= 0 && drive < drives.size()) {
      work.begin(command, drives.get(drive).device());
      asked = Asked.NOTHING;
      first = 0;
    }
    typed = "";
  }
}
