package tekmerion.server.intake;

import static tekmerion.words.Words.say;

import java.time.Instant;
import org.springframework.stereotype.Service;
import tekmerion.core.knowhow.Question.Subject;
import tekmerion.server.job.Customer;
import tekmerion.server.job.Customers;
import tekmerion.server.part.Machine;
import tekmerion.server.part.Machines;
import tekmerion.server.part.PartService;
import tekmerion.server.problem.Refusal;

/** Whose machine it is and which: one that was met before, or a new one. */
@Service
class WhoAndWhich {
  private final Customers customers;
  private final Machines machines;
  private final PartService parts;

  WhoAndWhich(Customers customers, Machines machines, PartService parts) {
    this.customers = customers;
    this.machines = machines;
    this.parts = parts;
  }

  /**
   * @param present of the job so far; null if there is none, or if it was another's
   */
  Customer customer(Answers answers, Customer present) {
    Customer customer =
        answers.customerId() == null
            ? present
            : customers
                .findById(answers.customerId())
                .filter(c -> c.erasedAt() == null)
                .orElseThrow(
                    () ->
                        Refusal.badRequest(
                            say("intake.that-customer-is-gone"),
                            say("intake.enter-the-name-anew")));
    String name = answers.customerName().strip();
    if (customer == null) {
      customer = new Customer(name);
    }
    customer.reachedBy(
        name,
        isBlank(answers.phone()) ? customer.phone() : answers.phone().strip(),
        isBlank(answers.email()) ? customer.email() : answers.email().strip());
    return customers.save(customer);
  }

  /**
   * @param present of the job so far; null if there is none, or if it is not that one
   */
  Machine machine(Answers answers, Machine present, Instant now) {
    boolean loose = answers.subjectOrMachine() == Subject.DRIVE;
    String serial = isBlank(answers.serial()) ? null : answers.serial().strip();
    if (answers.machineId() != null) {
      Machine met =
          machines
              .findById(answers.machineId())
              .orElseThrow(
                  () ->
                      Refusal.badRequest(
                          say("intake.that-machine-is-not-known"), say("intake.enter-it-anew")));
      return met;
    }
    String maker = isBlank(answers.maker()) ? "" : answers.maker().strip();
    String model = isBlank(answers.model()) ? "" : answers.model().strip();
    Machine machine =
        present != null
            ? present
            : new Machine(
                loose ? Machine.Kind.LOOSE_DRIVE : Machine.Kind.MACHINE, maker, model, serial);
    machine.called(maker, model, serial);
    machine = machines.save(machine);
    if (loose) {
      parts.told(machine.id(), "drive-a", model.isEmpty() ? null : model, serial, now);
    }
    return machine;
  }

  private static boolean isBlank(String text) {
    return text == null || text.isBlank();
  }
}
