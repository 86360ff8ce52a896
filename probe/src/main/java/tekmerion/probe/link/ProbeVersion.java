package tekmerion.probe.link;

/** Goes with every reading, so that a later reader knows what took it. */
public final class ProbeVersion {
  public static final String CURRENT = "0.1.0";

  private ProbeVersion() {}
}
