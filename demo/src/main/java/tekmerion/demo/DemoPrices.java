package tekmerion.demo;

import java.math.BigDecimal;
import java.sql.Timestamp;
import java.time.Instant;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tekmerion.server.account.Account;

/** What the made-up shop charges, what parts cost there, and what lies in its drawers. */
@Component
class DemoPrices {
  private static final String RATES = "{\"REPLACE_PART\": 72.00, \"RECOVER_DATA\": 84.00}";

  private static final String[][] PRICES = {
    {"drive", "Solid state, SATA, 2.5 inch, 1 TB", "78.00"},
    {"drive", "Solid state, NVMe, 1 TB", "86.00"},
    {"memory", "Module 8 GiB, DDR4", "39.00"},
    {"memory", "Module 16 GiB, DDR4", "64.00"},
    {"battery", "Battery pack for a 14 inch laptop", "74.00"},
    {"adapter", "Adapter 65 W", "34.00"},
    {"fan", "Fan for a laptop", "28.00"},
    {"panel", "Panel 15.6 inch", "96.00"},
    {"supply", "Supply 450 W", "58.00"},
    {"coin cell", "Coin cell CR2032", "3.50"},
    {"cable", "SATA cable", "6.00"},
  };

  private final JdbcClient jdbc;
  private final DemoStock stock;

  DemoPrices(JdbcClient jdbc, DemoStock stock) {
    this.jdbc = jdbc;
    this.stock = stock;
  }

  void set(Account lead, Instant at) {
    jdbc.sql(
            "INSERT INTO tariff (currency, per_hour, per_hour_of, minimum, tax_percent, tax_shown,"
                + " set_by, set_at) VALUES ('EUR', 66.00, ?, 25.00, 25.00, TRUE, ?, ?)")
        .params(RATES, lead.id(), Timestamp.from(at))
        .update();
    for (String[] price : PRICES) {
      jdbc.sql(
              "INSERT INTO part_price (part, words, amount, set_by, set_at) VALUES (?, ?, ?, ?, ?)")
          .params(price[0], price[1], new BigDecimal(price[2]), lead.id(), Timestamp.from(at))
          .update();
    }
    stock.fill(lead, at);
  }
}
