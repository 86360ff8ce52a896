package tekmerion.server.bay;

import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.stereotype.Component;
import tekmerion.server.TekmerionProperties;

/** A new shop has nine bays: as many as there are digits to jump to one. */
@Component
class FirstBays implements SmartInitializingSingleton {
  private static final int BAYS = 9;

  private final Bays bays;
  private final TekmerionProperties properties;

  FirstBays(Bays bays, TekmerionProperties properties) {
    this.bays = bays;
    this.properties = properties;
  }

  @Override
  public void afterSingletonsInstantiated() {
    if (properties.demo() || bays.count() > 0) {
      return;
    }
    for (int number = 1; number <= BAYS; number++) {
      bays.save(new Bay(number, null));
    }
  }
}
