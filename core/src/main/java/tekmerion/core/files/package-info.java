/**
 * Which files a volume holds and where they lie, read from its own structures and tolerant of what
 * is damaged in them. Way in: {@link tekmerion.core.files.FileList}. Reads only.
 */
package tekmerion.core.files;
