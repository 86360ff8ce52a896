/**
 * Starts what Tekmerion is made of as child processes and ends exactly those, by their ids. Way in:
 * {@link tekmerion.launch.Launch}; the tests use the same pieces. Knows nothing of what runs
 * inside.
 */
package tekmerion.launch;
