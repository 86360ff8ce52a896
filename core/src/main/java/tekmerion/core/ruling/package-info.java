/** Rulings: the courses a job can take. Way in: {@link tekmerion.core.ruling.Course}. */
package tekmerion.core.ruling;
