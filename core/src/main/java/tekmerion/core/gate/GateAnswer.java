package tekmerion.core.gate;

/** Whether a gate lets something through. A lock always says why and what opens it. */
public sealed interface GateAnswer {
  record Open() implements GateAnswer {}

  record Locked(String reason, String opens) implements GateAnswer {}

  default boolean isOpen() {
    return this instanceof Open;
  }
}
