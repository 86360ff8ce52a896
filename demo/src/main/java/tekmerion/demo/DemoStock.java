package tekmerion.demo;

import java.sql.Timestamp;
import java.time.Instant;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Component;
import tekmerion.server.account.Account;

/** What lies in the made-up shop's drawers: some of it fits what is open today. */
@Component
class DemoStock {
  /** Kind, model, bus, form, bytes, place, pieces. */
  private static final Object[][] ITEMS = {
    {"drive", "QUAY-1000F", "SATA", "2.5 inch", 1_000_204_886_016L, "drawer 3", 2},
    {"drive", "QUAY-240F", "SATA", "2.5 inch", 240_057_409_536L, "drawer 3", 1},
    {"drive", "HELM-4000D", "SATA", "3.5 inch", 4_000_787_030_016L, "drawer 4", 1},
    {"drive", "QUAY-1000N", "NVMe", null, 1_000_204_886_016L, "drawer 3", 1},
    {"module", "SLIP 8G3200", "DDR4", "DIMM", 8L << 30, "drawer 5", 3},
    {"module", "SLIP 8G3200S", "DDR4", "SODIMM", 8L << 30, "drawer 5", 2},
    {"module", "SLIP 16G4800S", "DDR5", "SODIMM", 16L << 30, "drawer 5", 1},
    {"battery", "Pack for Ostrel 14", null, null, null, "cabinet", 1},
    {"other", "Adapter 65 W, round plug", null, null, null, "cupboard 2", 4},
    {"other", "Fan for Norrvik 13", null, null, null, "cupboard 2", 1},
    {"other", "Coin cell CR2032", null, null, null, "drawer 1", 20},
    {"other", "Supply 450 W", null, null, null, "cupboard 4", 1},
  };

  private final JdbcClient jdbc;

  DemoStock(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  void fill(Account by, Instant at) {
    for (Object[] item : ITEMS) {
      GeneratedKeyHolder key = new GeneratedKeyHolder();
      jdbc.sql(
              "INSERT INTO stock (kind, model, bus, form, bytes, place, added_by, added_at)"
                  + " VALUES (?, ?, ?, ?, ?, ?, ?, ?)")
          .params(item[0], item[1], item[2], item[3], item[4], item[5], by.id(), Timestamp.from(at))
          .update(key, "id");
      jdbc.sql(
              "INSERT INTO stock_move (stock_id, pieces, note, made_by, made_at)"
                  + " VALUES (?, ?, 'put into stock', ?, ?)")
          .params(key.getKey().longValue(), item[6], by.id(), Timestamp.from(at))
          .update();
    }
  }
}
