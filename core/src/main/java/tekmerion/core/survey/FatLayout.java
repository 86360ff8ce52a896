package tekmerion.core.survey;

import java.util.Optional;
import tekmerion.core.page.RawPage;

/**
 * Where things lie in a FAT volume, by its boot sector.
 *
 * @param content which of the three, by the number of clusters as the standard wants it
 * @param sectorBytes logical sector of the volume
 * @param fatStart of the first table [bytes from the volume's start]
 * @param fatBytes of one table
 * @param fats 1 or 2
 * @param rootStart of the fixed root folder; meaningless for FAT32
 * @param rootBytes 0 for FAT32
 * @param dataStart of cluster 2
 * @param clusters how many there are; the last is number {@code clusters + 1}
 * @param rootCluster first of the root folder; 0 unless FAT32
 * @param bytes of the volume
 * @see "Microsoft, FAT32 File System Specification 1.03 (2000), BPB"
 */
public record FatLayout(
    Content content,
    int sectorBytes,
    long clusterBytes,
    long fatStart,
    long fatBytes,
    int fats,
    long rootStart,
    long rootBytes,
    long dataStart,
    long clusters,
    long rootCluster,
    long bytes) {
  private static final int SECTOR = 512;
  private static final int SIGNATURE = 0xAA55;
  private static final int FAT12_CLUSTERS = 4_085;
  private static final int FAT16_CLUSTERS = 65_525;

  /** Where FAT32 keeps a copy of its boot sector. */
  static final long BACKUP_AT = 6L * SECTOR;

  /** By its first sector, or by the copy of FAT32. */
  public static Optional<FatLayout> of(Window w) {
    return w.at(0, SECTOR)
        .filter(p -> p.u16(510) == SIGNATURE)
        .flatMap(FatLayout::of)
        .or(
            () ->
                w.at(BACKUP_AT, SECTOR)
                    .filter(p -> p.u16(510) == SIGNATURE)
                    .flatMap(FatLayout::of)
                    .filter(l -> l.content() == Content.FAT32));
  }

  /** Empty if the sector cannot be one of FAT. */
  static Optional<FatLayout> of(RawPage p) {
    int sector = p.u16(11);
    int sectorsPerCluster = p.u8(13);
    int reserved = p.u16(14);
    int fats = p.u8(16);
    int rootEntries = p.u16(17);
    long sectors = p.u16(19) != 0 ? p.u16(19) : p.unsignedLe(32, 4);
    long fatSectors = p.u16(22) != 0 ? p.u16(22) : p.unsignedLe(36, 4);
    boolean possible =
        sector >= SECTOR
            && sector <= 4096
            && Integer.bitCount(sector) == 1
            && sectorsPerCluster > 0
            && Integer.bitCount(sectorsPerCluster) == 1
            && reserved > 0
            && fats >= 1
            && fats <= 2
            && fatSectors > 0
            && sectors > 0
            && p.u8(21) >= 0xF0;
    if (!possible) {
      return Optional.empty();
    }
    long rootSectors = (32L * rootEntries + sector - 1) / sector;
    long dataSectors = sectors - reserved - fats * fatSectors - rootSectors;
    if (dataSectors <= 0) {
      return Optional.empty();
    }
    long clusters = dataSectors / sectorsPerCluster;
    Content content =
        clusters < FAT12_CLUSTERS
            ? Content.FAT12
            : clusters < FAT16_CLUSTERS ? Content.FAT16 : Content.FAT32;
    long rootStart = (reserved + fats * fatSectors) * sector;
    return Optional.of(
        new FatLayout(
            content,
            sector,
            (long) sectorsPerCluster * sector,
            (long) reserved * sector,
            fatSectors * sector,
            fats,
            rootStart,
            rootSectors * sector,
            rootStart + rootSectors * sector,
            clusters,
            content == Content.FAT32 ? p.unsignedLe(44, 4) : 0,
            sectors * sector));
  }
}
