package tekmerion.launch.tls;

import java.net.InetAddress;
import java.net.NetworkInterface;
import java.net.SocketException;
import java.net.UnknownHostException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/**
 * By what a server is asked that listens on an address.
 *
 * @param names the machine's own, the same within the local network (RFC 6762), and localhost
 * @param addresses each that it listens on
 */
public record LanNames(List<String> names, List<InetAddress> addresses) {

  /**
   * @param listen an address of this machine; 0.0.0.0 or :: for all of them
   * @param more names that the shop gave it
   */
  public static LanNames of(InetAddress listen, List<String> more) {
    Set<String> names = new LinkedHashSet<>(more);
    String host = hostName();
    if (!host.isEmpty()) {
      names.add(host);
      if (!host.contains(".")) {
        names.add(host + ".local");
      }
    }
    names.add("localhost");
    Set<InetAddress> addresses = new LinkedHashSet<>();
    if (listen.isAnyLocalAddress()) {
      addresses.addAll(ofThisMachine());
    } else {
      addresses.add(listen);
    }
    addresses.add(InetAddress.getLoopbackAddress());
    return new LanNames(List.copyOf(names), List.copyOf(addresses));
  }

  private static String hostName() {
    try {
      String name = InetAddress.getLocalHost().getHostName().toLowerCase(Locale.ROOT);
      return name.matches("[a-z0-9][a-z0-9.-]*") && !name.matches("[\\d.]+") ? name : "";
    } catch (UnknownHostException e) {
      return ""; // a machine without a name is asked by its address
    }
  }

  private static List<InetAddress> ofThisMachine() {
    try {
      List<InetAddress> all = new ArrayList<>();
      for (NetworkInterface port : Collections.list(NetworkInterface.getNetworkInterfaces())) {
        if (port.isUp()) {
          Collections.list(port.getInetAddresses()).stream()
              .filter(a -> !a.isLinkLocalAddress() && !a.isMulticastAddress())
              .forEach(all::add);
        }
      }
      return all;
    } catch (SocketException e) {
      throw new TlsFileException("Cannot see this machine's addresses: " + e.getMessage(), e);
    }
  }
}
