package tekmerion.server.probe;

import java.util.UUID;
import tekmerion.link.ToProbe;

/** The way to a probe: its open socket, if it has one. */
public interface ProbeChannel {
  /** Nothing happens if the probe is not there: it is told when it comes back. */
  void send(UUID probeId, ToProbe message);
}
