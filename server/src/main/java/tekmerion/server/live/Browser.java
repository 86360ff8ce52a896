package tekmerion.server.live;

import java.io.IOException;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.concurrent.Executor;
import java.util.concurrent.RejectedExecutionException;
import java.util.function.Consumer;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * One browser's stream. What is sent waits in a line of its own and goes out in another thread, so
 * that a browser that has stopped reading holds up nobody but itself; it is let go when its line is
 * full, and asks for everything anew when it comes back.
 */
final class Browser {
  private static final int MAX_LINE = 1000;
  private final SseEmitter emitter;
  private final String sessionId;
  private final Executor senders;
  private final Consumer<Browser> gone;
  private final Deque<SseEmitter.SseEventBuilder> line = new ArrayDeque<>();
  private boolean sending;
  private boolean ended;

  /**
   * @param gone told once nothing more can be sent
   */
  Browser(SseEmitter emitter, String sessionId, Executor senders, Consumer<Browser> gone) {
    this.emitter = emitter;
    this.sessionId = sessionId;
    this.senders = senders;
    this.gone = gone;
  }

  String sessionId() {
    return sessionId;
  }

  /** Returns at once. */
  synchronized void send(SseEmitter.SseEventBuilder event) {
    if (ended) {
      return;
    }
    if (line.size() >= MAX_LINE) {
      letGo();
      return;
    }
    line.add(event);
    if (!sending) {
      sending = true;
      try {
        senders.execute(this::sendAll);
      } catch (RejectedExecutionException e) {
        sending = false; // nobody does: the stream is ended here
        letGo(); // more streams stand still than we have threads for
      }
    }
  }

  private void sendAll() {
    for (SseEmitter.SseEventBuilder event = next(); event != null; event = next()) {
      try {
        emitter.send(event);
      } catch (IOException | IllegalStateException e) {
        letGo();
        return;
      }
    }
  }

  private synchronized SseEmitter.SseEventBuilder next() {
    SseEmitter.SseEventBuilder event = line.poll();
    sending = event != null;
    if (event == null && ended) {
      emitter.complete();
    }
    return event;
  }

  /** Nothing more is sent; what is being sent ends by itself or with the server's limit. */
  synchronized void letGo() {
    if (ended) {
      return;
    }
    ended = true;
    line.clear();
    gone.accept(this);
    if (!sending) {
      emitter.complete();
    }
  }
}
