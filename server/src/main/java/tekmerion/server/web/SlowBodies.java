package tekmerion.server.web;

import static tekmerion.words.Words.say;

import jakarta.servlet.ServletException;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.locks.LockSupport;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ValveBase;
import org.apache.coyote.ActionCode;
import org.apache.tomcat.util.net.ApplicationBufferHandler;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import tekmerion.server.problem.ProblemWriter;

/**
 * Bodies that come slowly hold a thread each. So many are read at once, so many from one address,
 * and each has its time; the other threads stay free for those who only look.
 */
@Component
class SlowBodies extends ValveBase
    implements WebServerFactoryCustomizer<TomcatServletWebServerFactory> {
  private static final int MAX = 100;
  private static final int MAX_AN_ADDRESS = 60;
  private static final long REST_NANOS = 500_000_000;

  private final Map<String, Integer> byAddress = new HashMap<>();
  private final ClientAddress addresses;
  private final ProblemWriter problems;
  private int all;

  SlowBodies(ClientAddress addresses, ProblemWriter problems) {
    super(true);
    this.addresses = addresses;
    this.problems = problems;
  }

  @Override
  public void customize(TomcatServletWebServerFactory factory) {
    factory.addEngineValves(this);
  }

  @Override
  public void invoke(Request request, Response response) throws IOException, ServletException {
    boolean body =
        request.getContentLengthLong() > 0 || request.getHeader("Transfer-Encoding") != null;
    if (!body) {
      getNext().invoke(request, response);
      return;
    }
    String from = addresses.of(request);
    if (!enter(from)) {
      dropRest(request);
      response.setHeader("Connection", "close");
      response.setHeader("Retry-After", "5");
      problems.write(
          response,
          HttpStatus.SERVICE_UNAVAILABLE,
          say("edge.too-many-requests-are-being-read"),
          say("edge.try-again-in-a-moment"));
      return;
    }
    request.setAttribute(TimedBody.DROP_REST, (Runnable) () -> dropRest(request));
    try {
      getNext().invoke(request, response);
    } finally {
      try {
        takeRest(request);
      } finally {
        leave(from); // also of those who broke off
      }
    }
  }

  /**
   * Whoever is refused before the body was read has mostly sent it already: it is taken, so that
   * the answer arrives. Nobody is waited for longer than a moment.
   */
  private static void takeRest(Request request) throws IOException {
    org.apache.coyote.Request body = request.getCoyoteRequest();
    long until = System.nanoTime() + REST_NANOS;
    AtomicBoolean read = new AtomicBoolean();
    Rest scrap = new Rest();
    while (true) {
      body.action(ActionCode.REQUEST_BODY_FULLY_READ, read);
      if (read.get()) {
        return;
      }
      if (System.nanoTime() > until) {
        dropRest(request);
        return;
      }
      body.action(ActionCode.AVAILABLE, Boolean.TRUE);
      if (body.getAvailable() <= 0) {
        LockSupport.parkNanos(REST_NANOS / 20);
      } else if (body.doRead(scrap) < 0) {
        return;
      }
    }
  }

  /** Takes bytes and forgets them. */
  private static final class Rest implements ApplicationBufferHandler {
    private ByteBuffer bytes = ByteBuffer.allocate(0);

    @Override
    public void setByteBuffer(ByteBuffer buffer) {
      bytes = buffer;
    }

    @Override
    public ByteBuffer getByteBuffer() {
      return bytes;
    }

    @Override
    public void expand(int size) {}
  }

  /** What is still to come of the body is not waited for; the connection ends with the answer. */
  private static void dropRest(Request request) {
    request.getCoyoteRequest().action(ActionCode.DISABLE_SWALLOW_INPUT, null);
  }

  private synchronized boolean enter(String from) {
    if (all >= MAX || byAddress.getOrDefault(from, 0) >= MAX_AN_ADDRESS) {
      return false;
    }
    all++;
    byAddress.merge(from, 1, Integer::sum);
    return true;
  }

  private synchronized void leave(String from) {
    all--;
    byAddress.computeIfPresent(from, (address, n) -> n == 1 ? null : n - 1);
  }
}
