package tekmerion.server.intake;

import static tekmerion.words.Words.say;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;

/**
 * What was corrected, in words, for the journal. Names of people and their words stay out of it.
 */
final class Differences {
  private Differences() {}

  static String between(Answers before, Answers now) {
    Map<String, Object> was = fields(before);
    Map<String, Object> is = fields(now);
    String words =
        is.keySet().stream()
            .filter(name -> !Objects.equals(was.get(name), is.get(name)))
            .collect(Collectors.joining(", "));
    return words.isEmpty() ? say("intake.nothing") : words;
  }

  private static Map<String, Object> fields(Answers a) {
    Map<String, Object> fields = new LinkedHashMap<>();
    fields.put("customer", a.customerName() + "|" + a.phone() + "|" + a.email());
    fields.put("machine", a.machineId() + "|" + a.maker() + "|" + a.model() + "|" + a.serial());
    fields.put("complaint", a.complaint());
    fields.put(say("intake.complaint-families"), a.families());
    fields.put(say("intake.error-text"), a.errorText());
    fields.put(
        say("intake.what-was-said"),
        a.said() + "|" + a.unknown() + "|" + a.times() + "|" + a.per());
    fields.put("data", a.dataWanted() + "|" + a.waiver());
    fields.put(
        say("intake.backup-and-key"), a.lastBackup() + "|" + a.encrypted() + "|" + a.keyHolder());
    fields.put(say("intake.left-with-us"), a.leftWithUs());
    fields.put(say("intake.promised-time"), a.promisedAt());
    return fields;
  }
}
