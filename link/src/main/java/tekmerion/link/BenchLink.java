package tekmerion.link;

/** What both ends must agree on. */
public final class BenchLink {
  public static final int PROTOCOL = 3;
  public static final String ENROLMENT_PATH = "/link/enrolment";
  public static final String KNOCK_PATH = "/link/knock";
  public static final String SOCKET_PATH = "/link/socket";

  /** Longest message either end takes: a drive reading is a few kilobytes. */
  public static final int MAX_MESSAGE_CHARS = 1 << 20;

  /** Longest page that may travel. */
  public static final int MAX_PAGE_BYTES = 1 << 16;

  /** Close code for a probe whose token is not, or no longer, good. */
  public static final int CLOSE_REVOKED = 4001;

  /** Close code for a message that breaks the rules. */
  public static final int CLOSE_BAD_MESSAGE = 4002;

  private BenchLink() {}
}
