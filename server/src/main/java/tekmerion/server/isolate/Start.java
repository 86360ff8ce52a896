package tekmerion.server.isolate;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import tekmerion.core.isolate.StartOutcome;

/** A start that was made and stands. */
@Schema(name = "IsolationStart")
record Start(
    long id, List<Integer> arrangement, StartOutcome outcome, String note, String by, Instant at) {}
