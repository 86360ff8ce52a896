/** Words in sentences; nothing of the job itself. */
package tekmerion.core.words;
