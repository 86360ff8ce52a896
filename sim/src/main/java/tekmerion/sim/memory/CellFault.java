package tekmerion.sim.memory;

import java.util.OptionalLong;

/**
 * One faulty cell, or one cell that is faulty by another's doing. Cells are bits: word · 64 + bit.
 *
 * @param kind the fault primitive
 * @param victim cell that misbehaves
 * @param aggressor cell whose state or operation brings it about; empty for single-cell faults
 * @param state of the victim that the fault is about, or the value of a stuck or forced cell
 * @param aggressorState in which, or into which, the aggressor brings it about
 * @param rate share of the operations in which it shows; 1 for a fault that always does
 * @param aboveCelsius it shows only when the memory is warmer; negative infinity for always
 * @see "Van de Goor & Al-Ars: Functional memory faults: a formal notation and a taxonomy. VTS 2000,
 *     tables 1 and 2"
 */
public record CellFault(
    Kind kind,
    long victim,
    OptionalLong aggressor,
    int state,
    int aggressorState,
    double rate,
    double aboveCelsius) {

  /** What goes wrong, in the names of the taxonomy. */
  public enum Kind {
    /** Always {@code state}. */
    STUCK_AT,
    /** A write from {@code state} to its opposite fails. */
    TRANSITION,
    /** A write of {@code state} over {@code state} turns the cell. */
    WRITE_DISTURB,
    /** A read of {@code state} turns the cell and gives what it then is. */
    READ_DESTRUCTIVE,
    /** A read of {@code state} turns the cell but gives what it was. */
    DECEPTIVE_READ,
    /** A read of {@code state} gives its opposite, the cell stays. */
    INCORRECT_READ,
    /** The cell loses {@code state} when nobody touches it for a while. */
    RETENTION,
    /** The aggressor's transition to {@code aggressorState} turns the victim. */
    COUPLING_INVERSION,
    /** The aggressor's transition to {@code aggressorState} forces the victim to {@code state}. */
    COUPLING_IDEMPOTENT,
    /** While the aggressor is {@code aggressorState}, the victim cannot be {@code state}. */
    COUPLING_STATE,
    /** A read of the aggressor in {@code aggressorState} turns a victim that is {@code state}. */
    DISTURB_BY_READ,
    /** A write to the aggressor that changes it to {@code aggressorState} turns such a victim. */
    DISTURB_BY_TRANSITION,
    /** A write of {@code aggressorState} over itself turns such a victim. */
    DISTURB_BY_WRITE,
    /** As the single-cell fault, while the aggressor is {@code aggressorState}. */
    COUPLED_TRANSITION,
    COUPLED_WRITE_DISTURB,
    COUPLED_READ_DESTRUCTIVE,
    COUPLED_DECEPTIVE_READ,
    COUPLED_INCORRECT_READ
  }

  /** A single-cell fault that always shows. */
  public static CellFault single(Kind kind, long victim, int state) {
    return new CellFault(kind, victim, OptionalLong.empty(), state, 0, 1, Double.NEGATIVE_INFINITY);
  }

  /** A two-cell fault that always shows. */
  public static CellFault coupled(
      Kind kind, long victim, int state, long aggressor, int aggressorState) {
    return new CellFault(
        kind,
        victim,
        OptionalLong.of(aggressor),
        state,
        aggressorState,
        1,
        Double.NEGATIVE_INFINITY);
  }

  public CellFault showing(double share) {
    return new CellFault(kind, victim, aggressor, state, aggressorState, share, aboveCelsius);
  }

  public CellFault onlyAbove(double celsius) {
    return new CellFault(kind, victim, aggressor, state, aggressorState, rate, celsius);
  }
}
