package tekmerion.launch.backup;

import java.nio.file.Path;
import java.util.List;

/**
 * A shop's database as MariaDB's own programs find it.
 *
 * @param where their options for that: {@code --host} and {@code --port}, or {@code --socket}
 * @param in the folder that they are started in, for a socket that is named from there
 * @param schema its name
 * @param owner who may read and change all of it
 * @param app who the server works as
 */
public record Database(List<String> where, Path in, String schema, User owner, User app) {
  public Database {
    where = List.copyOf(where);
  }

  /** Who signs in to it. */
  public record User(String name, String password) {}

  /** On this machine, by its port. */
  public static Database onPort(int port, Path in, String schema, User owner, User app) {
    return at("127.0.0.1", port, in, schema, owner, app);
  }

  public static Database at(String host, int port, Path in, String schema, User owner, User app) {
    return new Database(
        List.of("--host=" + host, "--port=" + port, "--protocol=tcp"), in, schema, owner, app);
  }
}
