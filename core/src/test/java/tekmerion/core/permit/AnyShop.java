package tekmerion.core.permit;

import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import tekmerion.core.permit.ShopRecords.Job;
import tekmerion.core.permit.ShopRecords.Kept;
import tekmerion.core.permit.ShopRecords.Run;
import tekmerion.core.permit.World.CopyKey;
import tekmerion.core.permit.World.Drive;
import tekmerion.core.permit.World.Unit;

/**
 * A shop in which anything may happen next. What the server would keep is {@link ShopRecords}',
 * every question whether something may be done {@link Permissions}', and what is truly where {@link
 * World}'s.
 */
final class AnyShop {
  private static final List<String> FOLDERS = List.of("", "Users", "Photos", "Work");

  private final Random random;
  final World world = new World();
  private final ShopRecords kept = new ShopRecords();
  final WritingProbes probes;
  private long refused;

  AnyShop(Random random) {
    this.random = random;
    probes = new WritingProbes(random, world, kept);
  }

  /** How often erasing was refused, by the server or the probe. */
  long refused() {
    return refused + probes.refused();
  }

  String step() {
    probes.pass(random.nextInt(4));
    return switch (random.nextInt(27)) {
      case 0 -> takeIn();
      case 1 -> swap();
      case 2, 3 -> read();
      case 4, 5 -> survey();
      case 6, 7 -> image();
      case 8 -> files();
      case 9 -> wants();
      case 10 -> finding();
      case 11 -> confirmOrRevoke();
      case 12 -> decide();
      case 13, 14 -> beginToErase();
      case 15, 16, 17 -> probes.write();
      case 18 -> eraseCopy();
      case 19 -> forgedArchive();
      case 20 -> use();
      case 21 -> end();
      case 22 -> copyIsTakenAway();
      default -> carefully();
    };
  }

  private <T> Optional<T> any(List<T> of) {
    return of.isEmpty() ? Optional.empty() : Optional.of(of.get(random.nextInt(of.size())));
  }

  private Optional<Job> anyOpen() {
    return any(kept.jobs.stream().filter(j -> !j.ended).toList());
  }

  private boolean isIn(Job job, Drive drive) {
    return job.places.containsValue(drive);
  }

  /** New drives of an owner, or drives that were here before: at home, or in another open job. */
  private String takeIn() {
    if (kept.jobs.stream().filter(j -> !j.ended).count() > 4) {
      return "the shop is full";
    }
    Job job = new Job(kept.jobs.size(), "Owner " + random.nextInt(3));
    job.wanted = random.nextBoolean();
    for (String place : List.of("drive-a", "drive-b").subList(0, 1 + random.nextInt(2))) {
      job.places.put(place, random.nextInt(3) == 0 ? before(job.owner) : fresh(job.owner));
    }
    kept.jobs.add(job);
    return "taken in " + job.number;
  }

  private Drive before(String owner) {
    return any(world.drives.stream()
            .filter(d -> kept.jobs.stream().noneMatch(j -> !j.ended && isIn(j, d)))
            .toList())
        .orElseGet(() -> fresh(owner));
  }

  private Drive fresh(String owner) {
    // Some makers give one serial to many: the model or the size tells them apart.
    String serial = random.nextInt(4) == 0 ? "0123456789" : "S" + world.drives.size();
    PartIdentity identity =
        new PartIdentity("M" + random.nextInt(2), serial, 1_000_000L + world.drives.size());
    Drive drive = new Drive(identity, owner, random.nextInt(3) == 0);
    world.drives.add(drive);
    fill(drive, 3 + random.nextInt(6));
    return drive;
  }

  private void fill(Drive drive, int units) {
    for (int i = 0; i < units; i++) {
      world.store(drive, 1 + random.nextInt(2), FOLDERS.get(random.nextInt(FOLDERS.size())));
    }
  }

  /** Two drives change places, in a machine or between two; nobody tells the server. */
  private String swap() {
    Optional<Job> one = anyOpen();
    Optional<Job> other = anyOpen();
    if (one.isEmpty() || one.get().places.isEmpty() || other.get().places.isEmpty()) {
      return "nothing to swap";
    }
    String a = any(List.copyOf(one.get().places.keySet())).orElseThrow();
    String b = any(List.copyOf(other.get().places.keySet())).orElseThrow();
    Drive x = one.get().places.get(a);
    one.get().places.put(a, other.get().places.get(b));
    other.get().places.put(b, x);
    if (random.nextInt(4) == 0) { // and one comes late
      one.get().places.put("drive-c", fresh(one.get().owner));
    }
    return "swapped";
  }

  private record At(Job job, String place, Drive drive) {}

  private Optional<At> anyPlace() {
    return anyOpen()
        .flatMap(
            job ->
                any(List.copyOf(job.places.keySet()))
                    .map(place -> new At(job, place, job.places.get(place))));
  }

  private String read() {
    return anyPlace()
        .map(
            at -> {
              at.job.known.put(at.place, at.drive.identity);
              return "read %s of %d".formatted(at.place, at.job.number);
            })
        .orElse("nothing to read");
  }

  /** A run counts for the drive that its probe saw; sometimes it was another one at the end. */
  private void ran(At at, DataEvent event) {
    Optional<PartIdentity> itself = Optional.of(at.drive.identity);
    if (random.nextInt(20) != 0) {
      kept.runs.add(new Run(at.job.number, itself, event, false));
    } else if (event instanceof DataEvent.Imaged) {
      // Nobody knows of which drive it is: what lies in the folder was begun by it all the same.
      kept.runs.add(new Run(at.job.number, itself, DataEvent.Imaged.BEGUN, false));
    }
  }

  private static DataEvent.Surveyed surveyed(Drive drive) {
    DriveContent content = drive.content();
    return new DataEvent.Surveyed(content, "sha of " + content.hashCode());
  }

  private String survey() {
    Optional<At> at = anyPlace();
    at.ifPresent(a -> ran(a, surveyed(a.drive)));
    return "surveyed";
  }

  /** Whole, or of what is in use; some lose something, some are not what was read. */
  private String image() {
    Optional<At> found = anyPlace();
    if (found.isEmpty()) {
      return "nothing to image";
    }
    At at = found.get();
    boolean known = at.drive.content().isKnown();
    boolean inUse = known && random.nextBoolean();
    boolean complete = random.nextInt(6) != 0;
    Set<Unit> lost =
        at.drive.units.stream()
            .filter(u -> random.nextInt(complete ? 60 : 3) == 0)
            .collect(Collectors.toSet());
    if (random.nextInt(40) == 0) {
      lost.addAll(at.drive.units); // it read nothing at all
    }
    Set<Unit> held = readInto(at, lost);
    String sums = "sums " + probes.now() + " " + kept.runs.size();
    ran(
        at,
        new DataEvent.Imaged(
            complete,
            inUse,
            sums,
            held.size() * 1_000L,
            lost.size() * 1_000L,
            known ? (long) lost.size() : null));
    if (random.nextInt(3) != 0) {
      // Not while it is being erased: a release that runs on for seconds is nobody's mistake then.
      boolean rots = random.nextInt(10) == 0 && !probes.hasBegun(at.drive.identity);
      if (rots && world.drives.stream().anyMatch(d -> d.units.containsAll(held))) {
        CopyKey key = new CopyKey(at.job.number, at.drive.identity);
        held.removeAll(asFiles.getOrDefault(key, Set.of())); // these lie beside the image
        world.copies.get(key).removeAll(held);
      }
      ran(at, new DataEvent.ImageChecked(random.nextInt(8) == 0 ? "another's" : sums, !rots));
    }
    return "imaged";
  }

  /** An image goes on from its map: what was read, or was not there, when it began stays so. */
  private Set<Unit> readInto(At at, Set<Unit> lost) {
    CopyKey key = new CopyKey(at.job.number, at.drive.identity);
    world.copies.computeIfAbsent(key, k -> new HashSet<>());
    Set<Unit> held = new HashSet<>(at.drive.units);
    held.retainAll(begunWith.computeIfAbsent(key, k -> new HashSet<>(at.drive.units)));
    held.removeAll(lost);
    world.copies.get(key).addAll(held);
    return held;
  }

  private final Map<CopyKey, Set<Unit>> begunWith = new HashMap<>();
  private final Map<CopyKey, Set<Unit>> asFiles = new HashMap<>();

  private String files() {
    Optional<At> found = anyPlace();
    if (found.isEmpty()) {
      return "nothing to copy";
    }
    At at = found.get();
    int volume = 1 + random.nextInt(2);
    Set<String> folders =
        FOLDERS.stream().filter(f -> random.nextBoolean()).collect(Collectors.toSet());
    if (folders.isEmpty() || at.drive.encrypted && volume == 2) {
      return "no folders";
    }
    List<Unit> chosen =
        at.drive.units.stream()
            .filter(u -> u.volume() == volume && folders.contains(u.folder()))
            .toList();
    List<Unit> whole = chosen.stream().filter(u -> random.nextInt(30) != 0).toList();
    world
        .copies
        .computeIfAbsent(new CopyKey(at.job.number, at.drive.identity), k -> new HashSet<>())
        .addAll(whole);
    asFiles
        .computeIfAbsent(new CopyKey(at.job.number, at.drive.identity), k -> new HashSet<>())
        .addAll(whole);
    ran(
        at,
        new DataEvent.FilesCopied(
            random.nextInt(8) != 0, volume, folders, chosen.size(), whole.size()));
    return "files copied";
  }

  private String wants() {
    anyOpen().ifPresent(j -> j.wanted = random.nextBoolean());
    return "said";
  }

  /** By the customer or somebody else; on the screen or not; for all of it or by name. */
  private String finding() {
    Optional<Job> found = anyOpen();
    if (found.isEmpty()) {
      return "nobody signs";
    }
    Job job = found.get();
    String signer = any(List.of(job.owner, "Owner 0", "Owner 1", ".", "\u200b")).orElseThrow();
    Optional<String> place = any(List.copyOf(job.known.keySet()));
    if (place.isEmpty() || !SignerName.isOf(signer, job.owner)) {
      return "refused";
    }
    DriveState drive = kept.permissions(job).drive(place.get());
    PartIdentity identity = drive.identity().orElseThrow();
    boolean all = random.nextInt(4) == 0;
    List<Holding> some =
        drive.open().stream()
            .filter(h -> h.kind() == HoldingKind.FOLDER && random.nextBoolean())
            .toList();
    if (!all && some.isEmpty()) {
      return "nothing to sign for";
    }
    Waiver waiver = all ? Waiver.ofAll(identity) : new Waiver(identity, WaiverScope.HOLDINGS, some);
    World.Signature truth =
        new World.Signature(
            identity,
            all,
            some.stream().map(h -> h.volume() + "/" + h.path()).collect(Collectors.toSet()),
            job.number);
    boolean onScreen = random.nextBoolean();
    kept.waivers.add(new Kept(job.number, waiver, onScreen, new boolean[1], new boolean[1], truth));
    world.signatures.add(truth); // the owner did finding; whether it counts is the shop's affair
    return "signed";
  }

  private String confirmOrRevoke() {
    Optional<Kept> found = any(kept.waivers);
    if (found.isEmpty()) {
      return "no signature";
    }
    if (random.nextBoolean()) {
      found.get().confirmed()[0] = true;
      return "confirmed";
    }
    found.get().revoked()[0] = true;
    // What is under way is told to stop; a probe that is not reached has its release for seconds.
    probes.pass(random.nextInt(3));
    probes.mayBeStopped();
    return "revoked";
  }

  private String decide() {
    anyOpen().ifPresent(j -> j.erases = random.nextBoolean());
    return "decided";
  }

  private String beginToErase() {
    Optional<At> found = anyPlace();
    if (found.isEmpty()) {
      return "nothing to erase";
    }
    return begin(found.get());
  }

  private String begin(At at) {
    Optional<PartIdentity> named = Optional.ofNullable(at.job.known.get(at.place));
    Permission answer =
        kept.permissions(at.job)
            .of(
                new Action.Write(
                    Effects.of(Invasiveness.ERASES), at.place, named.orElse(at.drive.identity)));
    if (!answer.isOpen()) {
      refused++;
      return "erasing refused";
    }
    probes.open(at.job, at.place, named.orElseThrow(), at.drive);
    return "erasing begun";
  }

  /** As a technician would go about it, most of the time; anything may come between. */
  private String carefully() {
    Optional<At> found = anyPlace();
    if (found.isEmpty()) {
      return "no machine";
    }
    At at = found.get();
    List<Runnable> way =
        List.of(
            () -> at.job.known.put(at.place, at.drive.identity),
            () -> ran(at, surveyed(at.drive)),
            () -> wholeImage(at),
            () -> at.job.erases = true,
            () -> begin(at));
    for (Runnable next : way) {
      if (random.nextInt(12) != 0) {
        next.run();
      }
      if (random.nextInt(12) == 0) {
        step();
      }
    }
    return "carefully, %s of %d".formatted(at.place, at.job.number);
  }

  private void wholeImage(At at) {
    String sums = "sums " + probes.now() + " " + kept.runs.size();
    long bytes = readInto(at, Set.of()).size() * 1_000L;
    ran(at, new DataEvent.Imaged(true, false, sums, bytes, 0, 0L));
    ran(at, new DataEvent.ImageChecked(sums, true));
  }

  private String eraseCopy() {
    Optional<CopyKey> found = any(List.copyOf(world.copies.keySet()));
    if (found.isEmpty()) {
      return "no copy";
    }
    CopyKey key = found.get();
    Job job = kept.jobs.get(key.job());
    DriveState state = kept.state(job, "copied", key.drive());
    if (!kept.permissions(job).of(new Action.EraseCopy(state)).isOpen()) {
      refused++;
      return "the copy stays";
    }
    world.gone(world.copies.get(key), Set.of(job.number));
    world.copies.remove(key);
    begunWith.remove(key);
    asFiles.remove(key);
    kept.runs.add(new Run(job.number, Optional.of(key.drive()), new DataEvent.CopyErased(), false));
    return "copy of %s in %d erased".formatted(key.drive(), key.job());
  }

  /**
   * The disk with a copy breaks while the drive still holds all of it; what was about to be written
   * on the strength of it is withdrawn.
   */
  private String copyIsTakenAway() {
    Optional<CopyKey> found = any(List.copyOf(world.copies.keySet()));
    if (found.isEmpty() || !world.isStillOnItsDrive(found.get())) {
      return "no disk breaks";
    }
    CopyKey key = found.get();
    world.copies.remove(key);
    begunWith.remove(key);
    asFiles.remove(key);
    probes.stop(key.drive());
    Optional<PartIdentity> of = Optional.of(key.drive());
    for (Integer volume : Arrays.asList(null, 1, 2)) {
      kept.runs.add(new Run(key.job(), of, new DataEvent.CopyMissing(volume), false));
    }
    return "the copy of %s in %d is gone".formatted(key.drive(), key.job());
  }

  /** Says that everything is copied, verified, signed and decided, of any drive and for any job. */
  private String forgedArchive() {
    Optional<Job> job = anyOpen();
    Optional<Drive> drive = any(world.drives);
    if (job.isEmpty() || drive.isEmpty()) {
      return "no archive";
    }
    Optional<PartIdentity> seen = Optional.of(drive.get().identity);
    int number = job.get().number;
    kept.runs.add(new Run(number, seen, surveyed(drive.get()), true));
    kept.runs.add(new Run(number, seen, new DataEvent.Imaged(true, false, "x", 9, 0, 0L), true));
    kept.runs.add(new Run(number, seen, new DataEvent.ImageChecked("x", true), true));
    return "forged archive";
  }

  /** Somebody works on the machine: there is more on a drive than was surveyed. */
  private String use() {
    Optional<At> at = anyPlace();
    at.filter(a -> !probes.isWritingTo(a.drive)).ifPresent(a -> fill(a.drive, 1));
    return "used";
  }

  private String end() {
    Optional<Job> job = anyOpen().filter(j -> !probes.isAtWorkFor(j));
    job.ifPresent(j -> j.ended = true);
    return "ended";
  }
}
