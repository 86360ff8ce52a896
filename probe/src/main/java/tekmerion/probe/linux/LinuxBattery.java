package tekmerion.probe.linux;

import static tekmerion.words.Words.say;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import tekmerion.core.battery.AdapterReport;
import tekmerion.core.battery.Amount;
import tekmerion.core.battery.BatteryReport;
import tekmerion.core.battery.SupplyBattery;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.BatterySample;
import tekmerion.core.port.ChargeSource;
import tekmerion.core.port.DischargeSource;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;
import tekmerion.core.port.PageSource;

/** This computer's battery and adapter, by the folder in which Linux shows its power supplies. */
public final class LinuxBattery implements PageSource {
  private static final long EVERY_MS = 5_000;
  private final Path supplies;

  /**
   * @param supplies usually /sys/class/power_supply
   */
  LinuxBattery(Path supplies) {
    this.supplies = supplies;
  }

  /** Empty if there is no battery, and no bay for one. */
  static Optional<LinuxBattery> find(Path supplies) {
    return !folders(supplies, "Battery").isEmpty()
        ? Optional.of(new LinuxBattery(supplies))
        : Optional.empty();
  }

  @Override
  public List<PageKind> kinds() {
    return folders(supplies, "Battery").size() > 1
        ? List.of(PageKind.BATTERY_SUPPLY, PageKind.BATTERY_SUPPLY_2, PageKind.ADAPTER_SUPPLY)
        : List.of(PageKind.BATTERY_SUPPLY, PageKind.ADAPTER_SUPPLY);
  }

  @Override
  public PageAnswer read(PageKind kind) {
    return switch (kind) {
      case BATTERY_SUPPLY -> text("Battery", 0);
      case BATTERY_SUPPLY_2 -> text("Battery", 1);
      case ADAPTER_SUPPLY -> {
        PageAnswer mains = text("Mains", 0);
        yield mains.bytes().isPresent() ? mains : text("USB", 0);
      }
      default -> new PageAnswer.NotReported(say("probe.a-battery-has-no-such-page"));
    };
  }

  private PageAnswer text(String type, int index) {
    List<Path> folders = folders(supplies, type);
    if (folders.size() <= index) {
      return new PageAnswer.NotReported(say("probe.no-supply-of-type", "type", type));
    }
    Path folder = folders.get(index);
    if (isEmpty(folder)) {
      return new PageAnswer.NotReported(
          say("probe.no-battery-sits-in", "bay", folder.getFileName()));
    }
    try {
      return new PageAnswer.Got(textOf(folder));
    } catch (IOException e) {
      return new PageAnswer.CouldNotRun(say("probe.it-cannot-be-read", "why", e.getMessage()));
    }
  }

  /** A bay that shows itself with nothing in it. */
  private static boolean isEmpty(Path folder) {
    return value(folder.resolve("present")).filter("0"::equals).isPresent();
  }

  /** All supplies of a type that are the machine's, those with something in them first. */
  private static List<Path> folders(Path supplies, String type) {
    if (!Files.isDirectory(supplies)) {
      return List.of();
    }
    try (Stream<Path> all = Files.list(supplies)) {
      return all.filter(f -> value(f.resolve("type")).filter(type::equals).isPresent())
          // What is a mouse's or a pen's own is not the machine's.
          .filter(f -> value(f.resolve("scope")).filter("Device"::equals).isEmpty())
          .sorted(Comparator.comparing(LinuxBattery::isEmpty).thenComparing(Path::getFileName))
          .toList();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /**
   * A supply's folder as one text: each file a line. Some files are missing in the kernel's own
   * summary, and the summary is missing in a copy of a folder.
   *
   * @throws IOException if the folder cannot be listed
   */
  public static RawPage textOf(Path folder) throws IOException {
    StringBuilder text = new StringBuilder();
    try (Stream<Path> files = Files.list(folder)) {
      for (Path file : files.filter(Files::isRegularFile).sorted().toList()) {
        String name = file.getFileName().toString();
        Optional<String> value = name.equals("uevent") ? Optional.empty() : value(file);
        value.ifPresent(
            v ->
                text.append("POWER_SUPPLY_")
                    .append(name.toUpperCase(Locale.ROOT))
                    .append('=')
                    .append(v)
                    .append('\n'));
      }
    }
    return new RawPage(text.toString().getBytes(StandardCharsets.UTF_8));
  }

  /** Of one line; a file that the driver refuses to fill is not reported. */
  private static Optional<String> value(Path file) {
    try {
      return Optional.of(Files.readString(file).strip())
          .filter(v -> !v.isEmpty() && !v.contains("\n"));
    } catch (IOException e) {
      return Optional.empty();
    }
  }

  private Optional<BatteryReport> report() {
    return read(PageKind.BATTERY_SUPPLY)
        .bytes()
        .flatMap(raw -> SupplyBattery.decode(raw).decoded());
  }

  DischargeSource discharge() throws IOException {
    BatteryReport report = report().orElseThrow(this::silent);
    return new Running(report, false);
  }

  ChargeSource charge() throws IOException {
    BatteryReport report = report().orElseThrow(this::silent);
    return new Running(report, true);
  }

  private IOException silent() {
    return new IOException(
        read(PageKind.BATTERY_SUPPLY) instanceof PageAnswer.NotReported none
            ? none.why()
            : say("probe.the-battery-does-not-tell"));
  }

  /** Whether the adapter says that it is in; empty if none says anything. */
  private Optional<Boolean> plugged() {
    return read(PageKind.ADAPTER_SUPPLY)
        .bytes()
        .flatMap(raw -> AdapterReport.decode(raw).decoded())
        .flatMap(AdapterReport::plugged);
  }

  private final class Running implements ChargeSource {
    private final BatteryReport first;
    private final boolean charges;
    private final OwnLoad load = new OwnLoad();
    private final long began = System.nanoTime();
    private boolean loaded;

    /**
     * @param charges whether the adapter is to be in; else it is to be off, and the load begins at
     *     once
     */
    Running(BatteryReport first, boolean charges) {
      this.first = first;
      this.charges = charges;
    }

    @Override
    public void load(boolean on) {
      if (on && !loaded) {
        load.begin();
        loaded = true;
      }
    }

    @Override
    public Look next() throws InterruptedException {
      load(!charges || loaded);
      Thread.sleep(EVERY_MS);
      Optional<BatteryReport> now = report();
      if (now.isEmpty() || now.get().volts().isEmpty() || now.get().amperes().isEmpty()) {
        return new Look.Missed();
      }
      boolean wrongWay =
          charges ? plugged().equals(Optional.of(false)) : now.get().amperes().getAsDouble() < 0;
      if (wrongWay) {
        return new Look.Over(
            false,
            charges ? say("probe.the-adapter-was-taken-off") : say("probe.the-adapter-was-put-in"));
      }
      return new Look.Sample(
          new BatterySample(
              (System.nanoTime() - began) / 1e9,
              now.get().volts().getAsDouble(),
              now.get().amperes().getAsDouble(),
              now.get().celsius()));
    }

    @Override
    public Before before() {
      return new Before(
          OptionalDouble.empty(),
          ampereHours(first.design()),
          ampereHours(first.full()),
          first.gauge(),
          OptionalDouble.empty(),
          1,
          plugged().orElse(first.state().filter(s -> !s.equals("Discharging")).isPresent()),
          first.alarms().isEmpty()
              ? Optional.empty()
              : Optional.of(
                  say(
                      "probe.the-battery-itself-reports",
                      "alarms",
                      String.join(", ", first.alarms()))));
    }

    /** One that counts energy is compared by its design voltage. */
    private OptionalDouble ampereHours(Optional<Amount> amount) {
      if (amount.isEmpty()) {
        return OptionalDouble.empty();
      }
      if (amount.get().unit() == Amount.Unit.AMPERE_HOURS) {
        return OptionalDouble.of(amount.get().value());
      }
      return first.designVolts().isPresent()
          ? OptionalDouble.of(amount.get().value() / first.designVolts().getAsDouble())
          : OptionalDouble.empty();
    }

    @Override
    public void close() {
      load.end();
    }
  }
}
