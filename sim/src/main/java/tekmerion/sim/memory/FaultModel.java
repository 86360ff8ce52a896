package tekmerion.sim.memory;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import tekmerion.sim.memory.CellFault.Kind;

/** The fault models of the literature, each with all its instances between two words. */
public enum FaultModel {
  STUCK_AT(Kind.STUCK_AT),
  TRANSITION(Kind.TRANSITION),
  WRITE_DISTURB(Kind.WRITE_DISTURB),
  READ_DESTRUCTIVE(Kind.READ_DESTRUCTIVE),
  DECEPTIVE_READ(Kind.DECEPTIVE_READ),
  INCORRECT_READ(Kind.INCORRECT_READ),
  RETENTION(Kind.RETENTION),
  COUPLING_INVERSION(Kind.COUPLING_INVERSION),
  COUPLING_IDEMPOTENT(Kind.COUPLING_IDEMPOTENT),
  COUPLING_STATE(Kind.COUPLING_STATE),
  DISTURB_BY_READ(Kind.DISTURB_BY_READ),
  DISTURB_BY_TRANSITION(Kind.DISTURB_BY_TRANSITION),
  DISTURB_BY_WRITE(Kind.DISTURB_BY_WRITE),
  COUPLED_TRANSITION(Kind.COUPLED_TRANSITION),
  COUPLED_WRITE_DISTURB(Kind.COUPLED_WRITE_DISTURB),
  COUPLED_READ_DESTRUCTIVE(Kind.COUPLED_READ_DESTRUCTIVE),
  COUPLED_DECEPTIVE_READ(Kind.COUPLED_DECEPTIVE_READ),
  COUPLED_INCORRECT_READ(Kind.COUPLED_INCORRECT_READ),
  ADDRESS_DECODER(null);

  private final Kind kind;

  FaultModel(Kind kind) {
    this.kind = kind;
  }

  /** One way in which the model can be there. */
  public record Instance(String words, List<CellFault> cells, List<DecoderFault> decoder) {}

  /**
   * Every instance on one bit of the words {@code low} and {@code high}: each as the victim of the
   * other where there are two.
   */
  public List<Instance> instances(long low, long high, int bit) {
    if (this == ADDRESS_DECODER) {
      return decoder(low, high);
    }
    List<Instance> all = new ArrayList<>();
    for (int state = 0; state <= 1; state++) {
      if (ordinal() < COUPLING_INVERSION.ordinal()) {
        for (long word : List.of(low, high)) {
          CellFault fault = CellFault.single(kind, 64 * word + bit, state);
          all.add(new Instance("%s of %d".formatted(kind, state), List.of(fault), List.of()));
        }
        continue;
      }
      if (this == COUPLING_INVERSION && state == 1) {
        continue; // it turns the victim whatever it is
      }
      for (int from = 0; from <= 1; from++) {
        int of = state;
        int by = from;
        Stream.of(new long[] {low, high}, new long[] {high, low})
            .forEach(
                pair -> {
                  CellFault fault =
                      CellFault.coupled(kind, 64 * pair[0] + bit, of, 64 * pair[1] + bit, by);
                  String words =
                      "%s of %d by %d, aggressor %s"
                          .formatted(kind, of, by, pair[1] < pair[0] ? "below" : "above");
                  all.add(new Instance(words, List.of(fault), List.of()));
                });
      }
    }
    return all;
  }

  /** The four that are possible: no address without a cell comes alone. */
  private static List<Instance> decoder(long low, long high) {
    List<Instance> all = new ArrayList<>();
    for (long[] pair : new long[][] {{low, high}, {high, low}}) {
      long a = pair[0];
      long b = pair[1];
      String at = a < b ? "low" : "high";
      all.add(
          decoder("%s reaches the other instead".formatted(at), new DecoderFault(a, List.of(b))));
      all.add(decoder("%s reaches both".formatted(at), new DecoderFault(a, List.of(a, b))));
      all.add(decoder("%s reaches none".formatted(at), new DecoderFault(a, List.of())));
    }
    all.add(
        decoder(
            "each reaches the other",
            new DecoderFault(low, List.of(high, low)),
            new DecoderFault(high, List.of(low, high))));
    return all;
  }

  private static Instance decoder(String words, DecoderFault... faults) {
    return new Instance(words, List.of(), List.of(faults));
  }
}
