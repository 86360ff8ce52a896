package tekmerion.sim;

import java.util.Optional;
import java.util.Random;

/**
 * A customer's machine through the years. Its parts wear with its hours; a fault is a process that
 * ends in a visit, not a visit with a label: sectors go bad, dust lies on the fins, cells fade with
 * every charge, modules and boards fail at random, and people drop, spill and update.
 */
final class HistoryMachine {
  private static final double FAN_LIMIT_K = 36;
  private final Random random;
  private final double hoursADay;
  private final boolean hasBattery;
  private final double noticesFrom;
  private final double chargesADay;
  private HistoryDrive drive;
  private double dust;
  private double capacity;
  private double patience;

  final String customer;
  final String maker;
  final String model;
  final String serial;

  /** What went wrong, as the owner will notice it. */
  enum Trouble {
    DRIVE,
    CABLE,
    MEMORY,
    HEAT,
    BATTERY,
    SYSTEM,
    BOARD,
    SLOW
  }

  HistoryMachine(Random random, String customer, String maker, String model, String serial) {
    this.random = random;
    this.customer = customer;
    this.maker = maker;
    this.model = model;
    this.serial = serial;
    hoursADay = 1.5 + 8 * random.nextDouble();
    hasBattery = model.contains("laptop");
    chargesADay = 0.2 + random.nextDouble();
    noticesFrom = 8 + 60 * random.nextDouble();
    drive = new HistoryDrive(random, 365 * hoursADay * 3 * random.nextDouble());
    dust = 14 * random.nextDouble();
    capacity = 1 - 0.3 * random.nextDouble();
    patience = 0;
  }

  HistoryDrive drive() {
    return drive;
  }

  /** One day of use; what broke, if anything did. */
  Optional<Trouble> live() {
    drive.run(hoursADay);
    dust += 0.0032 * hoursADay * (0.5 + random.nextDouble()); // kelvin over ambient, clean at 18
    capacity -= hasBattery ? 0.00042 * chargesADay : 0; // about 80 % after 480 full charges
    if (patience > 0) {
      patience--; // nobody brings a machine in again the week after
      return Optional.empty();
    }
    if (drive.pendingSectors() > noticesFrom) {
      return Optional.of(Trouble.DRIVE);
    }
    if (18 + dust > FAN_LIMIT_K) {
      return Optional.of(Trouble.HEAT);
    }
    if (hasBattery && capacity < 0.55) {
      return Optional.of(Trouble.BATTERY);
    }
    double luck = random.nextDouble();
    double[] perDay = {0.00022, 0.00014, 0.0003, 0.00012, 0.00024};
    Trouble[] what = {Trouble.MEMORY, Trouble.CABLE, Trouble.SYSTEM, Trouble.BOARD, Trouble.SLOW};
    for (int i = 0; i < perDay.length; i++) {
      if (luck < perDay[i]) {
        if (what[i] == Trouble.CABLE) {
          drive.knocked();
        }
        return Optional.of(what[i]);
      }
      luck -= perDay[i];
    }
    return Optional.empty();
  }

  /**
   * The shop has done its work.
   *
   * @param spare a drive from elsewhere that is put in; null takes a new one where one is needed
   */
  void repaired(Trouble trouble, HistoryDrive spare) {
    patience = 21;
    switch (trouble) {
      case DRIVE -> drive = spare == null ? new HistoryDrive(random, 2) : spare;
      case HEAT -> dust = 0;
      case BATTERY -> capacity = 1;
      default -> {
        // repaired in place
      }
    }
  }

  /** Its drive is sound and wanted elsewhere; it goes on with a new one. */
  HistoryDrive giveDriveAway() {
    HistoryDrive given = drive;
    drive = new HistoryDrive(random, 2);
    return given;
  }
}
