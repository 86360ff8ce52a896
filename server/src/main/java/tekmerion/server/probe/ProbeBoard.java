package tekmerion.server.probe;

import java.util.UUID;
import org.springframework.stereotype.Service;
import tekmerion.link.ToProbe;

/** Tells probes what to do. */
@Service
public class ProbeBoard {
  private final ProbeViews views;
  private final ProbeChannel channel;

  ProbeBoard(ProbeViews views, ProbeChannel channel) {
    this.views = views;
    this.channel = channel;
  }

  public void send(UUID probeId, ToProbe message) {
    channel.send(probeId, message);
  }

  public boolean isOnline(UUID probeId) {
    return views.isOnline(probeId);
  }
}
