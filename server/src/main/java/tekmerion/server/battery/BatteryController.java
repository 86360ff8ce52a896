package tekmerion.server.battery;

import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** The battery of a job's machine. */
@RestController
class BatteryController {
  private final BatteryViews views;

  BatteryController(BatteryViews views) {
    this.views = views;
  }

  @GetMapping("/api/jobs/{number}/battery")
  BatteryView battery(@PathVariable String number) {
    return views.of(number);
  }
}
