package tekmerion.server.exchange;

import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import java.util.List;
import java.util.Map;

/**
 * A job as it travels. Rows point to rows of other tables by their place in the list, from 0;
 * people stand by name.
 *
 * @param format always {@link #FORMAT}
 * @param version of the format
 * @param tables rows by table; a value that is null is left out
 */
@JsonPropertyOrder({"format", "version", "tables"})
record JobArchive(String format, int version, Map<String, List<Map<String, Object>>> tables) {
  static final String FORMAT = "tekmerion job";
  static final int VERSION = 1;
  static final String JOB_FILE = "job.json";
  static final String SCHEMA = "job.schema.json";
  static final String PAGES = "pages/";
  static final String PHOTOS = "photos/";
  static final String REPORT = "report.pdf";
}
