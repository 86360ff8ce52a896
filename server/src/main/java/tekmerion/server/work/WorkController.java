package tekmerion.server.work;

import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** A job's machine at its work. */
@RestController
class WorkController {
  private final WorkViews views;

  WorkController(WorkViews views) {
    this.views = views;
  }

  @GetMapping("/api/jobs/{number}/work")
  WorkView work(@PathVariable String number) {
    return views.of(number);
  }
}
