package tekmerion.demo;

import java.io.IOException;
import java.io.InputStream;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import tekmerion.core.forecast.Stage;
import tekmerion.core.knowhow.Question.Subject;
import tekmerion.server.intake.Answers;
import tekmerion.server.job.Job;
import tools.jackson.dataformat.yaml.YAMLMapper;

/** One job that is in the demo shop today, as today.yaml has it. */
record Today(
    long number,
    String customer,
    String phone,
    String email,
    Subject subject,
    String maker,
    String model,
    String serial,
    String complaint,
    String errorText,
    Map<String, List<String>> said,
    Boolean dataWanted,
    String lastBackup,
    double hoursAgo,
    Double promisedIn,
    Stage stage,
    String holder,
    Integer bay,
    Waits waits) {

  record Waits(Job.WaitsFor what, String note, double hoursAgo, Double inHours) {}

  static List<Today> all() {
    try (InputStream in = Today.class.getResourceAsStream("/tekmerion/demo/today.yaml")) {
      return List.of(new YAMLMapper().readValue(in, Today[].class));
    } catch (IOException e) {
      throw new IllegalStateException("cannot read the demo shop", e);
    }
  }

  Answers answers(Instant promisedAt) {
    return new Answers(
        subject,
        null,
        customer,
        phone,
        email,
        null,
        maker,
        model,
        serial,
        complaint,
        null,
        errorText,
        said,
        null,
        null,
        null,
        dataWanted,
        lastBackup,
        null,
        null,
        null,
        null,
        promisedAt);
  }
}
