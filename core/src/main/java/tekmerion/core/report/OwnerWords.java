package tekmerion.core.report;

import java.io.IOException;
import java.io.InputStream;
import java.text.MessageFormat;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.MissingResourceException;
import java.util.ResourceBundle;
import java.util.TreeMap;
import tools.jackson.dataformat.yaml.YAMLMapper;

/** The owner's language. */
public final class OwnerWords {
  private static final String BUNDLE = "tekmerion.report.owner";
  private static final String OTHERWISE = "otherwise";

  private final Locale locale;
  private final ResourceBundle bundle;
  private final Map<String, List<String>> advice;

  /**
   * @param locale whose file is taken; English where there is none
   */
  public OwnerWords(Locale locale) {
    this.locale = locale;
    this.bundle =
        ResourceBundle.getBundle(
            BUNDLE,
            locale,
            ResourceBundle.Control.getNoFallbackControl(ResourceBundle.Control.FORMAT_PROPERTIES));
    try (InputStream in = OwnerWords.class.getResourceAsStream("/tekmerion/report/advice.yaml")) {
      Map<String, List<String>> read = new YAMLMapper().readValue(in, StringLists.class);
      this.advice = Map.copyOf(read);
    } catch (IOException e) {
      throw new IllegalStateException("the advice cannot be read", e);
    }
  }

  private static final class StringLists extends TreeMap<String, List<String>> {
    private static final long serialVersionUID = 1L;
  }

  public Locale locale() {
    return locale;
  }

  /**
   * @throws MissingResourceException if no file has this key
   */
  public String of(String key, Object... values) {
    return values.length == 0
        ? bundle.getString(key)
        : new MessageFormat(bundle.getString(key).replace("'", "''"), locale).format(values);
  }

  public boolean has(String key) {
    return bundle.containsKey(key);
  }

  /** Keys of what to advise for a cause; of what is always good if there is none for it. */
  List<String> adviceFor(String cause) {
    return advice.getOrDefault(cause, advice.get(OTHERWISE));
  }

  /** Every cause that has advice of its own. */
  public Map<String, List<String>> advice() {
    return advice;
  }
}
