package tekmerion.core.permit;

import static tekmerion.words.Words.say;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A drive as somebody names it who is about to have it erased: typed from what is printed on it.
 *
 * @param size such as "1 TB", "500 GB" or "2000"; without a unit it counts gigabytes
 * @param model as printed
 * @param lastFour of its serial
 */
public record NamedDrive(String size, String model, String lastFour) {
  private static final Pattern SIZE = Pattern.compile("(\\d+(?:[.,]\\d+)?)\\s*(tb|gb)?");

  /** Labels round: 1,000,204,886,016 bytes are sold as 1 TB. */
  private static final double ROUNDED = 0.02;

  private static final int LAST = 4;

  /**
   * What of the name is not this drive's; the right answer is not given away.
   *
   * @param sizeBytes as the drive tells
   * @param itsModel as the drive tells
   * @param itsSerial as the drive tells
   * @return empty if all three fit
   */
  public Optional<String> misses(long sizeBytes, String itsModel, String itsSerial) {
    if (sizeBytes <= 0 || itsModel.isBlank() || itsSerial.strip().length() < LAST) {
      return Optional.of(say("permit.the-drive-does-not-tell-who"));
    }
    double typed = bytes();
    if (Double.isNaN(typed) || Math.abs(typed / sizeBytes - 1) > ROUNDED) {
      return Optional.of(say("permit.the-size-is-not-that-of"));
    }
    if (!folded(model).equals(folded(itsModel))) {
      return Optional.of(say("permit.the-model-is-not-that-of"));
    }
    String serial = itsSerial.strip();
    return lastFour.strip().equalsIgnoreCase(serial.substring(serial.length() - LAST))
        ? Optional.empty()
        : Optional.of(say("permit.these-are-not-the-last-four"));
  }

  /** NaN if it is no size. */
  private double bytes() {
    Matcher m = SIZE.matcher(size.strip().toLowerCase(Locale.ROOT));
    if (!m.matches()) {
      return Double.NaN;
    }
    double number = Double.parseDouble(m.group(1).replace(',', '.'));
    return number * ("tb".equals(m.group(2)) ? 1e12 : 1e9);
  }

  private static String folded(String text) {
    return text.strip().replaceAll("\\s+", " ").toUpperCase(Locale.ROOT);
  }
}
