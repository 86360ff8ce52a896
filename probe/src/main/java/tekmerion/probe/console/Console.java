package tekmerion.probe.console;

import static tekmerion.words.Words.say;

import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.probe.linux.LocalDrives;
import tekmerion.probe.linux.SysDrive;
import tekmerion.words.Language;
import tekmerion.words.Speaking;
import tekmerion.words.Words;

/** What stands on the screen, and what a key does. */
final class Console {
  private static final long LOOK_EVERY_MS = 1_000;
  private static final int CODE_LETTERS = 8;
  private static final int ESCAPE = 27;
  private static final int BACKSPACE = 127;

  private final Screens screens;
  private final BenchLinkOfStick link;
  private final MachineUnderTest machine;
  private final Language language;
  private final BlockingQueue<Integer> keys = new LinkedBlockingQueue<>();
  private final SoleWork work = new SoleWork();
  private List<SysDrive> drives = List.of();
  private Asked asked = Asked.NOTHING;
  private String typed = "";

  /** What the next keys are for. */
  private enum Asked {
    NOTHING,
    CODE,
    DRIVE_TO_SCAN,
    DRIVE_TO_SURVEY,
    WHETHER_OFF
  }

  Console(Screens screens, BenchLinkOfStick link, MachineUnderTest machine, Language language) {
    this.screens = screens;
    this.link = link;
    this.machine = machine;
    this.language = language;
  }

  /** Returns when somebody chose to switch the machine off. */
  void run() throws InterruptedException {
    screens.listen(keys::add);
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

  private void look() {
    try {
      drives = LocalDrives.list();
    } catch (UncheckedIOException e) {
      // One went while it was looked at: the next look, in a second, finds what is there then.
    }
  }

  List<String> lines() {
    List<String> lines = new ArrayList<>();
    lines.add(say("console.title"));
    lines.add("");
    lines.addAll(MachineLines.of(machine, drives));
    lines.add("");
    lines.add(say("console.link", "link", linkWords()));
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
    return link.said().isEmpty() ? say("console.not-linked") : link.said();
  }

  private List<String> question() {
    return switch (asked) {
      case CODE -> List.of(say("console.type-the-code", "typed", typed), say("console.back"));
      case DRIVE_TO_SCAN, DRIVE_TO_SURVEY ->
          List.of(say("console.which-drive"), say("console.back"));
      case WHETHER_OFF -> List.of(say("console.really-off"), say("console.back"));
      case NOTHING -> menu();
    };
  }

  private List<String> menu() {
    List<String> menu = new ArrayList<>();
    if (link.hasServer() && !link.isBegun()) {
      menu.add(say("console.menu-link"));
    }
    if (work.isRunning()) {
      menu.add(say("console.menu-stop"));
    } else if (!drives.isEmpty()) {
      menu.add(say("console.menu-scan"));
      menu.add(say("console.menu-survey"));
    }
    menu.add(say("console.menu-off"));
    return menu;
  }

  /** Takes a key. */
  private boolean isOff(int key) {
    if (key == ESCAPE) {
      asked = Asked.NOTHING;
      typed = "";
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

  private void choose(int key) {
    boolean free = !work.isRunning() && !drives.isEmpty();
    if (key == '1' && link.hasServer() && !link.isBegun()) {
      asked = Asked.CODE;
    } else if (key == '2' && free) {
      asked = Asked.DRIVE_TO_SCAN;
    } else if (key == '3' && free) {
      asked = Asked.DRIVE_TO_SURVEY;
    } else if (key == '9' && work.isRunning()) {
      work.stop();
    } else if (key == '0') {
      asked = Asked.WHETHER_OFF;
    }
  }

  private void type(int key) {
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
    int number = key - '1';
    if (number >= 0 && number < drives.size()) {
      SysDrive drive = drives.get(number);
      work.begin(command, drive.device());
      asked = Asked.NOTHING;
    }
  }
}
