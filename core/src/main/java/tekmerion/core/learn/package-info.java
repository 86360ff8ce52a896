/**
 * What a shop's own proven jobs say of the know-how's likelihoods. Way in: {@link
 * tekmerion.core.learn.Learning}. It only proposes: a person decides.
 */
package tekmerion.core.learn;
