package tekmerion.server.problem;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** Writes a problem where there is no controller: in filters and handshakes. */
@Component
public class ProblemWriter {
  private final JsonMapper json;

  ProblemWriter(JsonMapper json) {
    this.json = json;
  }

  public void write(HttpServletResponse response, HttpStatus status, String what, String toDo)
      throws IOException {
    response.setStatus(status.value());
    response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
    response.setCharacterEncoding("UTF-8");
    response
        .getWriter()
        .write(
            json.writeValueAsString(Problems.detail(status, what, "Nothing was changed.", toDo)));
  }
}
