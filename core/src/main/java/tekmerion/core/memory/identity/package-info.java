/**
 * What memory says it is: the firmware's tables (SMBIOS) and the chip on each module (SPD). Ways
 * in: {@link tekmerion.core.memory.identity.Smbios} and {@link tekmerion.core.memory.identity.Spd}.
 * Knows nothing of where the bytes come from.
 */
package tekmerion.core.memory.identity;
