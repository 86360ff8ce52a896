/**
 * Files that are there as a whole or as they were before, for every program here. Way in: {@link
 * tekmerion.link.files.WholeFile}.
 */
package tekmerion.link.files;
