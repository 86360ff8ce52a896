package tekmerion.server.link;

import java.util.UUID;
import org.springframework.stereotype.Service;
import tekmerion.link.ToProbe;

/** Tells probes what to do. */
@Service
public class ProbeBoard {
  private final ProbeViews views;
  private final LinkSocket socket;

  ProbeBoard(ProbeViews views, LinkSocket socket) {
    this.views = views;
    this.socket = socket;
  }

  public void send(UUID probeId, ToProbe message) {
    socket.send(probeId, message);
  }

  public boolean isOnline(UUID probeId) {
    return views.isOnline(probeId);
  }
}
