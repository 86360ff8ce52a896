/**
 * Reading a whole drive, or a sample of it, to see what cannot be read and what is slow. Way in:
 * {@link tekmerion.core.surface.SurfaceScan}. Reads through {@link tekmerion.core.port.BlockSource}
 * only, and writes nothing to the drive; looks only, but it loads it.
 */
package tekmerion.core.surface;
