package tekmerion.core.permit;

/**
 * Something on a drive that would be lost by erasing it, as it can be copied or signed away.
 *
 * @param kind what it is
 * @param volume number of the volume; -1 if it is of the whole drive
 * @param path of the folder; empty for the files in the root, and for what is no folder
 * @param files how many; 0 if not known
 * @param bytes how many; 0 if not known
 */
public record Holding(HoldingKind kind, int volume, String path, long files, long bytes) {
  public static final int WHOLE_DRIVE = -1;

  static Holding ofDrive(HoldingKind kind, long bytes) {
    return new Holding(kind, WHOLE_DRIVE, "", 0, bytes);
  }

  static Holding of(DriveContent.Volume volume) {
    return new Holding(HoldingKind.VOLUME, volume.number(), "", volume.files(), volume.bytes());
  }

  static Holding of(DriveContent.Volume volume, DriveContent.Folder folder) {
    return new Holding(
        HoldingKind.FOLDER, volume.number(), folder.path(), folder.files(), folder.bytes());
  }

  /** Whether signing {@code signed} away gives this up: the same thing, and no more of it. */
  boolean isGivenUpBy(Holding signed) {
    return kind == signed.kind
        && kind != HoldingKind.NOT_SURVEYED
        && volume == signed.volume
        && path.equals(signed.path)
        && files <= signed.files
        && bytes <= signed.bytes;
  }
}
