package tekmerion.core.permit;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

/**
 * The truth for {@link DataIsNeverLostTest}: which bytes exist where, what their owners want, and
 * what they really signed. Knows nothing of permissions.
 */
final class World {
  /** Something that somebody stored: a number, the same wherever it is copied to. */
  record Unit(int id, int volume, String folder) {
    /** No two are of one size, so that a survey tells one that came from one that went. */
    long bytes() {
      return 1_000 + id;
    }
  }

  /** A physical drive, wherever it is. */
  static final class Drive {
    final PartIdentity identity;
    final String owner;
    final boolean encrypted;

    /** What is on it now. */
    final Set<Unit> units = new HashSet<>();

    Drive(PartIdentity identity, String owner, boolean encrypted) {
      this.identity = identity;
      this.owner = owner;
      this.encrypted = encrypted;
    }

    private static long bytes(List<Unit> of) {
      return of.stream().mapToLong(Unit::bytes).sum();
    }

    /** What a survey of it finds: folders and their files, or a volume that nobody can list. */
    DriveContent content() {
      Map<Integer, Map<String, List<Unit>>> volumes = new TreeMap<>();
      units.forEach(
          u ->
              volumes
                  .computeIfAbsent(u.volume(), v -> new TreeMap<>())
                  .computeIfAbsent(u.folder(), f -> new ArrayList<>())
                  .add(u));
      List<DriveContent.Volume> found = new ArrayList<>();
      volumes.forEach(
          (number, folders) -> {
            boolean listed = !(encrypted && number == 2);
            long files = folders.values().stream().mapToLong(List::size).sum();
            long bytes = folders.values().stream().mapToLong(Drive::bytes).sum();
            found.add(
                new DriveContent.Volume(
                    number,
                    number * 1_000_000L,
                    500_000,
                    listed ? "ext4" : "encrypted",
                    listed ? null : "sum of " + bytes, // its header changes with what is in it
                    null,
                    false,
                    listed,
                    false,
                    listed ? files : 0,
                    listed ? bytes : 0,
                    listed
                        ? folders.entrySet().stream()
                            .map(
                                f ->
                                    new DriveContent.Folder(
                                        f.getKey(), f.getValue().size(), bytes(f.getValue())))
                            .toList()
                        : List.of()));
          });
      return new DriveContent(found);
    }
  }

  /** A copy in a folder of the shop's, of one drive in one job. */
  record CopyKey(int job, PartIdentity drive) {}

  /** What an owner really signed. */
  record Signature(PartIdentity drive, boolean all, Set<String> folders, int job) {}

  final List<Drive> drives = new ArrayList<>();
  final Map<CopyKey, Set<Unit>> copies = new LinkedHashMap<>();
  final Map<String, Set<Unit>> athome = new HashMap<>();
  final List<Signature> signatures = new ArrayList<>();
  private final Set<Unit> everWanted = new HashSet<>();
  private final Map<Unit, Drive> from = new HashMap<>();
  private final Set<Unit> excused = new HashSet<>();
  private int nextUnit;

  Unit store(Drive drive, int volume, String folder) {
    Unit unit = new Unit(nextUnit++, volume, folder);
    drive.units.add(unit);
    everWanted.add(unit);
    from.put(unit, drive);
    return unit;
  }

  /** What was signed in a job, for a drive and what is on it. */
  private boolean isSignedFor(int job, Drive drive, Unit unit) {
    return signatures.stream()
        .filter(s -> s.job() == job && s.drive().equals(drive.identity))
        .anyMatch(s -> s.all() || s.folders().contains(unit.volume() + "/" + unit.folder()));
  }

  /**
   * Units go off a drive, or out of a copy: what is signed for is excused.
   *
   * @param askedIn every job that has met the drive and is open: in each it must be signed for
   */
  void gone(Set<Unit> units, Set<Integer> askedIn) {
    for (Unit unit : units) {
      if (askedIn.stream().allMatch(job -> isSignedFor(job, from.get(unit), unit))) {
        excused.add(unit);
      }
    }
  }

  boolean isStillOnItsDrive(CopyKey copy) {
    return drives.stream()
        .anyMatch(d -> d.identity.equals(copy.drive()) && d.units.containsAll(copies.get(copy)));
  }

  /** Wanted, never signed for, and nowhere any more. */
  Set<Unit> lost() {
    Set<Unit> somewhere = new HashSet<>();
    drives.forEach(d -> somewhere.addAll(d.units));
    copies.values().forEach(somewhere::addAll);
    athome.values().forEach(somewhere::addAll);
    Set<Unit> lost = new HashSet<>(everWanted);
    lost.removeAll(somewhere);
    lost.removeAll(excused);
    return lost;
  }

  /** So that a long run stays quick: what was lost with a signature is not looked at again. */
  void forget() {
    everWanted.removeAll(excused);
  }
}
