/**
 * Signs: single findings that speak for or against causes, each with the place it rests on. Way in:
 * {@link tekmerion.core.sign.Sign}. Knows nothing of how a sign weighs.
 */
package tekmerion.core.sign;
