/**
 * Why a disk cannot be read: the scheme of its partitions, what is in each, what is damaged, and
 * the safe next move. Way in: {@link tekmerion.core.survey.Survey}. Reads only.
 */
package tekmerion.core.survey;
