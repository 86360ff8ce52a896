/** The screen of a machine that was started from the stick: text, 80 by 25, a menu by digits. */
package tekmerion.probe.console;
