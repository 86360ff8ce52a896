package tekmerion.sim;

import java.util.List;
import java.util.Map;

/**
 * One job of the made-up shop's past, as it is written to the history file, one JSON object a line.
 *
 * @param daysAgo whole days before the file is read, at least 1
 * @param minuteOfDay when it was taken in, minutes after midnight in the shop
 * @param driveSerial of the drive that was in it (or was brought in alone)
 * @param said answers at the counter, by question
 * @param pages raw pages of the drive by wire name, in base64; empty if it did not answer
 * @param stageMinutes opening minutes from taking in until read, decided, done, handed back
 * @param courses what was decided, in order
 * @param changed what was changed on the machine; empty if nothing
 */
public record PastJob(
    int daysAgo,
    int minuteOfDay,
    String customer,
    boolean looseDrive,
    String maker,
    String model,
    String serial,
    String driveSerial,
    String complaint,
    String errorText,
    Map<String, List<String>> said,
    boolean dataWanted,
    Map<String, String> pages,
    List<Double> stageMinutes,
    List<String> courses,
    String reason,
    String changed) {}
