/**
 * The stick: one image that starts a customer's machine with the probe and nothing else, made of
 * Debian's packages. It holds no driver of a file system that a customer's drive may have.
 */
package tekmerion.launch.stick;
