package tekmerion.server.problem;

import static tekmerion.words.Words.say;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** Writes a problem where there is no controller: in filters and handshakes. */
@Component
public class ProblemWriter {
  private final JsonMapper json;

  ProblemWriter(JsonMapper json) {
    this.json = json;
  }

  /**
   * @param page whether a person looks at the answer, not our page's script
   */
  public void databaseAway(HttpServletResponse response, boolean page) throws IOException {
    response.setStatus(HttpStatus.SERVICE_UNAVAILABLE.value());
    response.setCharacterEncoding("UTF-8");
    response.setHeader("Cache-Control", "no-store");
    response.setHeader("Retry-After", "5");
    ProblemDetail problem = Problems.databaseAway();
    if (!page) {
      response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
      response.getWriter().write(json.writeValueAsString(problem));
      return;
    }
    response.setContentType(MediaType.TEXT_HTML_VALUE);
    response.setHeader("Content-Security-Policy", "default-src 'none'; frame-ancestors 'none'");
    response.setHeader("Refresh", "5");
    response
        .getWriter()
        .write(
            "<!doctype html><html lang=en><title>Tekmerion: %s</title><h1>%s</h1><p>%s<p>%s"
                .formatted(
                    problem.getDetail(),
                    problem.getDetail(),
                    problem.getProperties().get("kept"),
                    problem.getProperties().get("toDo")));
  }

  public void write(HttpServletResponse response, HttpStatus status, String what, String toDo)
      throws IOException {
    response.setStatus(status.value());
    response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
    response.setCharacterEncoding("UTF-8");
    response
        .getWriter()
        .write(
            json.writeValueAsString(
                Problems.detail(status, what, say("problem.nothing-was-changed"), toDo)));
  }
}
