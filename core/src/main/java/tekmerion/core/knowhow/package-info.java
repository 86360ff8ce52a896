/**
 * Know-how: causes, findings and complaint families as data, validated on load. Way in: {@link
 * tekmerion.core.knowhow.KnowHow#shipped}. Knows nothing of how the numbers are combined.
 */
package tekmerion.core.knowhow;
