/**
 * Knowing machines and parts again by their serials. Way in: {@link
 * tekmerion.core.identity.Serial}.
 */
package tekmerion.core.identity;
