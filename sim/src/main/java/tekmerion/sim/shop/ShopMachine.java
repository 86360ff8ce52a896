package tekmerion.sim.shop;

import java.util.Arrays;
import java.util.Collections;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import tekmerion.sim.ShopDrive;

/** A customer's machine with what is wrong with it. Moves may mend it. */
public final class ShopMachine {
  private final List<Ill> ills;
  private final Map<Quantity, Double> quantities;
  private final ShopDrive drive;
  private final boolean laptop;
  private final boolean outsideDrive;
  private final boolean dataWanted;
  private final Set<Ailment> mended = EnumSet.noneOf(Ailment.class);

  /**
   * One start and some minutes of what the owner does.
   *
   * @param shows whether the complaint is seen
   * @param reached how far it got
   */
  public record Trial(boolean shows, Rung reached) {}

  ShopMachine(
      List<Ill> ills,
      Map<Quantity, Double> quantities,
      ShopDrive drive,
      boolean laptop,
      boolean outsideDrive,
      boolean dataWanted) {
    this.ills = List.copyOf(ills);
    this.quantities = new EnumMap<>(quantities);
    this.drive = drive;
    this.laptop = laptop;
    this.outsideDrive = outsideDrive;
    this.dataWanted = dataWanted;
  }

  /**
   * @param out what is not in play: swapped for a good one, switched off, or not there
   */
  public Trial trial(Random random, Set<Thing> out) {
    boolean shows = false;
    Rung reached = Rung.DESKTOP;
    for (Ill ill : ills) {
      boolean inPlay =
          !mended.contains(ill.what()) && Collections.disjoint(ill.what().hangsOn(), out);
      if (inPlay && ill.noticed() && random.nextDouble() < ill.rate()) {
        shows = true;
        reached = ill.stopsAt().compareTo(reached) < 0 ? ill.stopsAt() : reached;
      }
    }
    return new Trial(shows, reached);
  }

  /** Everything that it came in with. */
  public List<Ill> ills() {
    return ills;
  }

  /** What the owner came for, root first; empty for a machine that has nothing. */
  public List<Ill> noticed() {
    return ills.stream().filter(Ill::noticed).toList();
  }

  /** Whether it has this now, noticed or not. */
  public boolean has(Ailment... any) {
    return Arrays.stream(any).anyMatch(a -> ill(a).isPresent() && !mended.contains(a));
  }

  /** How often it shows; 0 if it does not have it. */
  public double rate(Ailment what) {
    return has(what) ? ill(what).orElseThrow().rate() : 0;
  }

  private Optional<Ill> ill(Ailment what) {
    return ills.stream().filter(i -> i.what() == what).findFirst();
  }

  public void mend(Ailment what) {
    mended.add(what);
  }

  public double value(Quantity quantity) {
    return quantities.get(quantity);
  }

  /** Of the processor, after ten minutes of full load [°C]; its limit is 100. */
  public double loadedCelsius() {
    double carried = Math.max(0.02, value(Quantity.AIR_SHARE) * fan());
    return 24 + 42 / Math.pow(carried, 0.55);
  }

  private double fan() {
    return has(Ailment.FAN_BAD) ? value(Quantity.FAN_SHARE) : 1;
  }

  public ShopDrive drive() {
    return drive;
  }

  public boolean isLaptop() {
    return laptop;
  }

  /** Whether the complaint is about a drive that is plugged in from outside, or a second one. */
  public boolean isAboutOutsideDrive() {
    return outsideDrive;
  }

  public boolean isDataWanted() {
    return dataWanted;
  }
}
