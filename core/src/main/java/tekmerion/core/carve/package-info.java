/**
 * Files by their content, where no folder tells of them any more: a beginning counts only if the
 * whole structure behind it holds. Way in: {@link tekmerion.core.carve.Carver}. Reads only.
 */
package tekmerion.core.carve;
