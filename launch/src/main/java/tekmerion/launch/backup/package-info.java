/**
 * A shop in one file: its database, files, keys and certificates, sealed to a passphrase. Written
 * and read as a stream, so its size is no matter.
 */
package tekmerion.launch.backup;
