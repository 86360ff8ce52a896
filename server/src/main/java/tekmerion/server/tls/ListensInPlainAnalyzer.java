package tekmerion.server.tls;

import org.springframework.boot.diagnostics.AbstractFailureAnalyzer;
import org.springframework.boot.diagnostics.FailureAnalysis;

/** Says what to do instead. */
class ListensInPlainAnalyzer extends AbstractFailureAnalyzer<ListensInPlainException> {
  @Override
  protected FailureAnalysis analyze(Throwable root, ListensInPlainException cause) {
    return new FailureAnalysis(
        cause.getMessage(),
        "Start it by './tekmerion serve --listen ADDRESS', which makes certificates of the shop's own,"
            + " or listen on 127.0.0.1 behind a proxy that speaks TLS.",
        cause);
  }
}
