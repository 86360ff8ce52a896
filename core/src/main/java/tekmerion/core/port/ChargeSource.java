package tekmerion.core.port;

/** A pack that is being charged; the machine works or rests as it is told. */
public interface ChargeSource extends DischargeSource {
  /** Whether the machine makes its own load from now on; at first it does not. */
  void load(boolean on);
}
