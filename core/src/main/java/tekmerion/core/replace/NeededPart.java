package tekmerion.core.replace;

import java.util.Optional;

/** What takes an old part's place. */
public sealed interface NeededPart permits NeededDrive, NeededModule, NeededBattery {
  /** "A SATA drive, 2.5 inch, 1,000 GB or more". */
  String words();

  /**
   * Whether a part in stock can take its place.
   *
   * @return why not; empty if it fits
   */
  Optional<String> misfit(InStock part);
}
