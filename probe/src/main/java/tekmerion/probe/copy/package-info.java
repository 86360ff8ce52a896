/**
 * Where copies of customers' data go on the bench machine: images, files, and what is kept beside
 * them. Way in: {@link tekmerion.probe.copy.CopyFolder}.
 */
package tekmerion.probe.copy;
