package tekmerion.server.live;

import io.swagger.v3.oas.annotations.Hidden;
import jakarta.servlet.http.HttpServletRequest;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** The stream of changes for one browser. */
@RestController
class LiveController {
  private final LiveEvents events;

  LiveController(LiveEvents events) {
    this.events = events;
  }

  @Hidden
  @GetMapping(path = "/api/live", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
  SseEmitter live(HttpServletRequest request) {
    return events.subscribe(request.getSession().getId());
  }
}
