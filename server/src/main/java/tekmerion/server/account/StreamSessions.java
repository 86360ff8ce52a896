package tekmerion.server.account;

import org.springframework.stereotype.Component;

/** Whether a stream that was opened with a session may still be sent to. */
@Component
public class StreamSessions {
  private final Sessions sessions;

  StreamSessions(Sessions sessions) {
    this.sessions = sessions;
  }

  public boolean goesOn(String sessionId) {
    return sessions.goesOn(sessionId);
  }
}
