package tekmerion.server.part;

import java.util.List;
import tekmerion.core.identity.Serial;

/**
 * What the database is asked for to find serials that may be the same: rows that are found are then
 * judged by {@link Serial#match}.
 *
 * @param beginnings folded serials that are this one or its beginning
 * @param longer LIKE pattern of folded serials that begin with this one
 */
record NearSerials(List<String> beginnings, String longer) {
  static NearSerials of(Serial serial) {
    // A short serial is the beginning of too many others.
    boolean tells = serial.folded().length() >= Serial.MIN_IN_COMMON;
    return new NearSerials(
        tells ? serial.beginnings() : List.of(serial.folded()),
        tells ? serial.folded() + "%" : serial.folded());
  }
}
