/** How good is it: commands whose results stand in docs/evaluation.md. */
package tekmerion.evaluation;
