/**
 * Reading a whole drive, or a sample of it, to see what cannot be read and what is slow. Way in:
 * {@link tekmerion.core.surface.SurfacePass}. Reads through {@link tekmerion.core.port.BlockSource}
 * only, and writes nothing to the drive; touch 0, but it loads it.
 */
package tekmerion.core.surface;
