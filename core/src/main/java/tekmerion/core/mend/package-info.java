/**
 * Putting damaged boot sectors, superblocks and tables back from the copies that their formats
 * keep: what would be written, and what stood there before. Nothing here writes to a drive.
 */
package tekmerion.core.mend;
