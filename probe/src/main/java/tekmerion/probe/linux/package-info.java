/**
 * Drives of a real Linux machine: core's ports over files, sysfs and the kernel's pass-through
 * calls. The only place with native calls. Reads only.
 */
package tekmerion.probe.linux;
