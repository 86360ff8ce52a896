package tekmerion.server.search;

import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Finds jobs. */
@RestController
class SearchController {
  private final Search search;

  SearchController(Search search) {
    this.search = search;
  }

  @GetMapping("/api/search")
  Search.Found search(@RequestParam("q") String typed) {
    return search.of(typed);
  }
}
