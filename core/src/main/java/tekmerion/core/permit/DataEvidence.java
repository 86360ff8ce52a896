package tekmerion.core.permit;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import tekmerion.core.permit.DataEvent.CopyErased;
import tekmerion.core.permit.DataEvent.CopyMissing;
import tekmerion.core.permit.DataEvent.Elsewhere;
import tekmerion.core.permit.DataEvent.Erased;
import tekmerion.core.permit.DataEvent.FilesCopied;
import tekmerion.core.permit.DataEvent.ImageChecked;
import tekmerion.core.permit.DataEvent.Imaged;
import tekmerion.core.permit.DataEvent.Mended;
import tekmerion.core.permit.DataEvent.Surveyed;

/**
 * What our runs show of the copies that a job has of one physical drive. A copy counts for exactly
 * what it holds of what the newest survey found, and only if the drive was surveyed before it and
 * held the same since. Nothing that anybody says counts here.
 *
 * @param copied whether a copy of anything is there
 * @param imaged whether an image is there that came to its end, and that no check spoke against
 * @param imageVerified whether it was read again and agrees
 * @param missing what is on the drive and in no verified copy; empty if all of it is
 * @param written whether we wrote to the drive after it was copied, or before, or scrapped it
 */
public record DataEvidence(
    boolean copied, boolean imaged, boolean imageVerified, List<Holding> missing, boolean written) {
  public DataEvidence {
    missing = List.copyOf(missing);
  }

  /** Of a drive that nobody looked at. */
  public static final DataEvidence NONE = of(List.of());

  /**
   * @param oldestFirst what happened to the drive's data in this job
   */
  public static DataEvidence of(List<DataEvent> oldestFirst) {
    return new Reader(oldestFirst).evidence();
  }

  /** All that is on the drive is in copies that were read again. */
  public boolean isAllCopied() {
    return missing.isEmpty();
  }

  /** Goes through what happened, and weighs each copy against the newest survey. */
  private static final class Reader {
    private final List<DataEvent> events;

    /**
     * What each survey found, and by which number of survey each event was preceded; 0 for none.
     */
    private final List<DriveContent> surveys = new ArrayList<>();

    /** Numbers of surveys that found just what our own mending had left: these may differ. */
    private final Set<Integer> asMended = new HashSet<>();

    private final List<FilesCopied> files = new ArrayList<>();
    private final List<Integer> filesAt = new ArrayList<>();
    private Imaged image;
    private int imageAt;
    private boolean imageMissing;
    private Optional<Boolean> checked = Optional.empty();
    private boolean written;
    private String mendedTo = "";
    private boolean erasedWhole;

    Reader(List<DataEvent> events) {
      this.events = events;
    }

    DataEvidence evidence() {
      events.forEach(this::take);
      boolean imaged = image != null && !imageMissing && image.complete() && checked.orElse(true);
      boolean verified = imaged && checked.isPresent();
      return new DataEvidence(
          imaged || files.stream().anyMatch(FilesCopied::complete),
          imaged,
          verified,
          missing(verified),
          written);
    }

    private void take(DataEvent event) {
      if (event instanceof Elsewhere elsewhere) {
        // What was written before anything was copied here is no concern of these copies.
        written = written || isCopyThere() && !(elsewhere.of() instanceof Surveyed);
        onDrive(elsewhere.of());
      } else if (event instanceof Imaged now) {
        // An image goes on from its map: what was read stays as it was read at first.
        imageAt = image == null ? surveys.size() : imageAt;
        image = now;
        imageMissing = false;
        checked = Optional.empty();
      } else if (event instanceof ImageChecked check) {
        if (image != null && image.sums().equals(check.sums())) {
          checked = Optional.of(check.agrees());
          imageMissing = false;
        }
      } else if (event instanceof FilesCopied copied) {
        files.add(copied);
        filesAt.add(surveys.size());
      } else if (event instanceof CopyMissing missing) {
        isMissing(missing);
      } else if (event instanceof CopyErased) {
        image = null;
        checked = Optional.empty();
        files.clear();
        filesAt.clear();
      } else {
        written = written || !(event instanceof Surveyed);
        onDrive(event);
      }
    }

    private boolean isCopyThere() {
      return image != null || !files.isEmpty();
    }

    /** What it tells of the drive itself. */
    private void onDrive(DataEvent event) {
      if (event instanceof Surveyed surveyed) {
        surveys.add(surveyed.content());
        if (!mendedTo.isEmpty() && mendedTo.equals(surveyed.sha())) {
          asMended.add(surveys.size());
        }
        mendedTo = "";
      } else if (event instanceof Mended mended) {
        mendedTo = mended.shaAfter();
      } else if (event instanceof Erased erased) {
        erasedWhole = erased.whole();
      } else {
        erasedWhole = false; // written by hand, or scrapped
      }
    }

    private void isMissing(CopyMissing copy) {
      if (copy.volume() == null) {
        imageMissing = true;
        checked = Optional.empty();
        return;
      }
      for (int i = files.size() - 1; i >= 0; i--) {
        if (files.get(i).volume() == copy.volume()) {
          files.remove(i);
          filesAt.remove(i);
        }
      }
    }

    private List<Holding> missing(boolean verified) {
      if (surveys.isEmpty()) {
        return List.of(Holding.ofDrive(HoldingKind.NOT_SURVEYED, 0));
      }
      DriveContent now = surveys.get(surveys.size() - 1);
      if (erasedWhole && now.volumes().isEmpty()) {
        return List.of(); // we read back that nothing is left, and nothing was found since
      }
      boolean held = verified && imageHolds(now);
      if (held && !image.inUseOnly()) {
        return lost(now);
      }
      if (now.volumes().isEmpty()) {
        return List.of(Holding.ofDrive(HoldingKind.WHOLE_DRIVE, 0));
      }
      List<Holding> missing = new ArrayList<>(held ? lost(now) : List.of());
      for (DriveContent.Volume volume : now.volumes()) {
        if (!volume.scratch() && !(held && volume.isKnown())) {
          missing.addAll(missing(volume, now));
        }
      }
      return missing;
    }

    /**
     * An image holds what was on the drive when it was made. All that the drive held is in a whole
     * one, whatever our own mending has changed since; one of what is in use holds what was listed.
     */
    private boolean imageHolds(DriveContent now) {
      if (imageAt == 0 || image.readBytes() <= 0) {
        return false;
      }
      DriveContent then = surveys.get(imageAt - 1);
      if (image.inUseOnly()) {
        return then.equals(now);
      }
      DriveContent held = then;
      for (int number = imageAt + 1; number <= surveys.size(); number++) {
        DriveContent next = surveys.get(number - 1);
        if (!next.equals(held) && !asMended.contains(number)) {
          return false;
        }
        held = next;
      }
      return true;
    }

    private List<Holding> lost(DriveContent now) {
      boolean noFile = image.lostFiles() != null && image.lostFiles() == 0 && now.isKnown();
      return image.lostBytes() == 0 || noFile
          ? List.of()
          : List.of(
              new Holding(
                  HoldingKind.LOST_IN_COPY,
                  Holding.WHOLE_DRIVE,
                  "",
                  image.lostFiles() == null ? 0 : image.lostFiles(),
                  image.lostBytes()));
    }

    private List<Holding> missing(DriveContent.Volume volume, DriveContent now) {
      if (!volume.isKnown()) {
        return List.of(Holding.of(volume));
      }
      List<FilesCopied> copies = new ArrayList<>();
      for (int i = 0; i < files.size(); i++) {
        if (files.get(i).volume() == volume.number()
            && filesAt.get(i) > 0
            && surveys.get(filesAt.get(i) - 1).equals(now)
            && files.get(i).isWhole()
            && holdsAllItSays(files.get(i), volume)) {
          copies.add(files.get(i));
        }
      }
      List<DriveContent.Folder> top =
          volume.folders().stream().filter(DriveContent.Folder::isAtTop).toList();
      List<Holding> missing = new ArrayList<>();
      top.forEach(folder -> missing.addAll(missing(volume, folder, copies)));
      long files = volume.files() - top.stream().mapToLong(DriveContent.Folder::files).sum();
      if (files > 0) {
        long bytes = volume.filesBytes() - top.stream().mapToLong(DriveContent.Folder::bytes).sum();
        missing.add(
            new Holding(
                HoldingKind.FILES_NOT_LISTED, volume.number(), "", files, Math.max(0, bytes)));
      }
      return missing;
    }

    /** The folder itself, or, if they make all of it, those of its folders that are in no copy. */
    private static List<Holding> missing(
        DriveContent.Volume volume, DriveContent.Folder folder, List<FilesCopied> copies) {
      if (copies.stream().anyMatch(c -> c.folders().contains(folder.path()))) {
        return List.of();
      }
      List<DriveContent.Folder> below =
          volume.folders().stream().filter(f -> f.isBelow(folder)).toList();
      List<Holding> open =
          below.stream()
              .filter(f -> copies.stream().noneMatch(c -> c.folders().contains(f.path())))
              .map(f -> Holding.of(volume, f))
              .toList();
      boolean makeAllOfIt =
          !below.isEmpty()
              && below.stream().mapToLong(DriveContent.Folder::files).sum() == folder.files();
      return makeAllOfIt && open.size() < below.size() ? open : List.of(Holding.of(volume, folder));
    }

    /** Whether it copied as many files as the survey counted in the folders that it names. */
    private static boolean holdsAllItSays(FilesCopied copy, DriveContent.Volume volume) {
      long counted =
          volume.folders().stream()
              .filter(f -> copy.folders().contains(f.path()))
              .filter(
                  f ->
                      volume.folders().stream()
                          .noneMatch(o -> copy.folders().contains(o.path()) && f.isBelow(o)))
              .mapToLong(DriveContent.Folder::files)
              .sum();
      return copy.files() >= counted;
    }
  }
}
