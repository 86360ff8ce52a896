package tekmerion.server.inbox;

import static tekmerion.words.Words.say;

import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import tekmerion.link.MachineNote;
import tekmerion.server.problem.Refusal;

/** A made-up machine belongs to a demo shop, and never into a customer's job. */
@Component
public class Simulated {
  static String refused() {
    return say("inbox.this-machine-is-simulated-only-a");
  }

  private final boolean demo;

  Simulated(@Value("${tekmerion.demo:false}") boolean demo) {
    this.demo = demo;
  }

  boolean isRefused(MachineNote machine) {
    return machine.simulated() && !demo;
  }

  /**
   * @throws Refusal 403 for a simulated machine in a shop that is real
   */
  public void refuse(MachineNote machine) {
    if (isRefused(machine)) {
      throw Refusal.forbidden(refused(), say("inbox.start-the-probe-on-the-machine"));
    }
  }

  /** What is to be given to a probe that is to join this shop. */
  String machineForProbes() {
    return demo ? "sim:sound-drive" : "this:drives";
  }
}
