package tekmerion.sim.battery;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.BatterySample;
import tekmerion.core.port.ChargeSource;
import tekmerion.core.port.DischargeSource;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;
import tekmerion.core.port.PageSource;

/** A pack in a machine: what it says of itself, and how it really runs down. */
public final class SimBattery implements PageSource {
  private static final int CELLS = 3;
  private static final double VOLTS_EACH = 3.8;
  private static final double NEW_OHM = 0.09;
  private static final double EVERY_SECONDS = 5;
  private static final double WATTS = 18;

  /** Looks are lost now and then, as by a busy controller. */
  private static final SimPack.Gauge GAUGE =
      new SimPack.Gauge(0.004, 0.003, 0.01, 0.004, 0.01, 0.6);

  private final Life life;

  /**
   * @param designAh of a new one
   * @param trueAh what it really holds
   * @param gaugeAh what its gauge believes that it holds
   * @param ohm of the whole pack
   * @param speed how many of its seconds pass in one of ours
   */
  public record Life(
      String maker,
      String model,
      String serial,
      double designAh,
      double trueAh,
      double gaugeAh,
      long cycles,
      double ohm,
      double speed) {}

  public SimBattery(Life life) {
    this.life = life;
  }

  @Override
  public List<PageKind> kinds() {
    return List.of(PageKind.BATTERY_SUPPLY, PageKind.ADAPTER_SUPPLY);
  }

  @Override
  public PageAnswer read(PageKind kind) {
    return switch (kind) {
      case BATTERY_SUPPLY -> text(supply());
      case ADAPTER_SUPPLY ->
          text(
              """
              POWER_SUPPLY_NAME=AC0
              POWER_SUPPLY_TYPE=Mains
              POWER_SUPPLY_ONLINE=0
              POWER_SUPPLY_VOLTAGE_MAX=19500000
              POWER_SUPPLY_CURRENT_MAX=3340000
              """);
      default -> new PageAnswer.NotReported("a simulated battery has no such page");
    };
  }

  private static PageAnswer text(String text) {
    return new PageAnswer.Got(new RawPage(text.getBytes(StandardCharsets.UTF_8)));
  }

  private String supply() {
    return """
        POWER_SUPPLY_NAME=BAT0
        POWER_SUPPLY_TYPE=Battery
        POWER_SUPPLY_STATUS=Discharging
        POWER_SUPPLY_PRESENT=1
        POWER_SUPPLY_TECHNOLOGY=Li-ion
        POWER_SUPPLY_CYCLE_COUNT=%d
        POWER_SUPPLY_VOLTAGE_MIN_DESIGN=%d
        POWER_SUPPLY_VOLTAGE_NOW=%d
        POWER_SUPPLY_CURRENT_NOW=%d
        POWER_SUPPLY_CHARGE_FULL_DESIGN=%d
        POWER_SUPPLY_CHARGE_FULL=%d
        POWER_SUPPLY_CHARGE_NOW=%d
        POWER_SUPPLY_CAPACITY=100
        POWER_SUPPLY_MODEL_NAME=%s
        POWER_SUPPLY_MANUFACTURER=%s
        POWER_SUPPLY_SERIAL_NUMBER=%s
        """
        .formatted(
            life.cycles(),
            micro(CELLS * VOLTS_EACH),
            micro(CELLS * 4.1),
            micro(WATTS / CELLS / VOLTS_EACH),
            micro(life.designAh()),
            micro(life.gaugeAh()),
            micro(life.gaugeAh()),
            life.model(),
            life.maker(),
            life.serial());
  }

  private static long micro(double value) {
    return Math.round(value * 1e6);
  }

  /**
   * For the machine's description.
   *
   * @param pages itself, perhaps slowed
   */
  public MachineUnderTest.Battery battery(PageSource pages) {
    return new MachineUnderTest.Battery(pages, Optional.of(Running::new), Optional.of(Charge::new));
  }

  /** With the adapter in: at rest it charges with its current, under load the adapter is enough. */
  private final class Charge implements ChargeSource {
    private static final double PER_HOUR = 0.45;
    private static final double LEVEL = 0.38;
    private final Random random = new Random(life.cycles());
    private double seconds;
    private boolean loaded;

    @Override
    public void load(boolean on) {
      loaded = on;
    }

    @Override
    public Look next() throws InterruptedException {
      Thread.sleep(Math.round(1000 * EVERY_SECONDS / life.speed()));
      seconds += EVERY_SECONDS;
      double into = life.trueAh() * PER_HOUR * (loaded ? 0.3 : 1 - Math.exp(-seconds / 40));
      double volts = CELLS * 3.78 + into * life.ohm() + seconds * 1e-4;
      return new Look.Sample(
          new BatterySample(
              seconds,
              volts + GAUGE.noiseVolts() * random.nextGaussian(),
              -into + GAUGE.noiseAmperes() * random.nextGaussian(),
              OptionalDouble.of(26 + seconds * 2e-3)));
    }

    @Override
    public Before before() {
      return SimBattery.this.before(LEVEL, true);
    }

    @Override
    public void close() {
      loaded = false;
    }
  }

  private DischargeSource.Before before(double level, boolean plugged) {
    return new DischargeSource.Before(
        OptionalDouble.of(3.0 * CELLS),
        OptionalDouble.of(life.designAh()),
        OptionalDouble.of(life.gaugeAh()),
        OptionalDouble.of(level),
        OptionalDouble.of(NEW_OHM),
        life.speed(),
        plugged,
        Optional.empty());
  }

  /** Plays a run at its speed. */
  private final class Running implements DischargeSource {
    private final List<BatterySample> samples =
        new SimPack(CELLS, life.trueAh(), life.ohm(), new Random(life.cycles()))
            .discharge(WATTS, GAUGE, EVERY_SECONDS)
            .samples();
    private int next;
    private double seconds;

    @Override
    public Look next() throws InterruptedException {
      if (next == samples.size()) {
        return new Look.Over(true, "");
      }
      Thread.sleep(Duration.ofMillis(Math.round(1000 * EVERY_SECONDS / life.speed())).toMillis());
      seconds += EVERY_SECONDS;
      if (samples.get(next).seconds() > seconds) {
        return new Look.Missed();
      }
      return new Look.Sample(samples.get(next++));
    }

    @Override
    public Before before() {
      return SimBattery.this.before(1, false);
    }

    @Override
    public void close() {
      // nothing is loaded
    }
  }
}
