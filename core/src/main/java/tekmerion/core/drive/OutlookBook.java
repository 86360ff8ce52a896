package tekmerion.core.drive;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import tekmerion.core.finding.Finding;
import tekmerion.core.trend.Outlook;
import tekmerion.core.trend.Outlook.Driver;
import tools.jackson.dataformat.yaml.YAMLMapper;

/** Relative risks of what is found on a drive. Data, in {@code knowhow/outlook.yaml}. */
public final class OutlookBook {
  private static final String RESOURCE = "/tekmerion/knowhow/outlook.yaml";
  private static final OutlookBook SHIPPED = load();

  private final List<Risk> risks;

  /**
   * @param times how many times likelier it fails within 60 days, with its range
   */
  public record Risk(
      String finding,
      String level,
      String group,
      double times,
      double low,
      double high,
      String source) {
    public Risk {
      if (!(low >= 1 && low <= times && times <= high) || source == null || source.isBlank()) {
        throw new IllegalStateException(
            "%s %s: 1 ≤ low ≤ times ≤ high and a source are wanted".formatted(finding, level));
      }
    }
  }

  private OutlookBook(List<Risk> risks) {
    this.risks = List.copyOf(risks);
  }

  /** The book that ships with the product. */
  public static OutlookBook shipped() {
    return SHIPPED;
  }

  public List<Risk> risks() {
    return risks;
  }

  /**
   * @param powerOnHours of the drive; negative if not reported
   * @param findings everything that was found on it
   */
  public Outlook outlook(double powerOnHours, List<Finding> findings) {
    List<Driver> drivers = new ArrayList<>();
    for (Finding finding : findings) {
      for (Risk r : risks) {
        if (r.finding().equals(finding.id()) && r.level().equals(finding.level())) {
          drivers.add(
              new Driver(r.group(), finding.words(), r.times(), r.low(), r.high(), r.source()));
        }
      }
    }
    return Outlook.of(powerOnHours, drivers);
  }

  private static OutlookBook load() {
    try (InputStream in = OutlookBook.class.getResourceAsStream(RESOURCE)) {
      return new OutlookBook(List.of(new YAMLMapper().readValue(in, Risk[].class)));
    } catch (IOException e) {
      throw new IllegalStateException("cannot read " + RESOURCE, e);
    }
  }
}
