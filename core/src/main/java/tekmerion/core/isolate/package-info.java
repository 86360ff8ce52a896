/**
 * Which of several things is to blame, found by starting the machine with some of them in play:
 * modules and slots, cables and ports, peripherals, start-up items. Way in: {@link
 * tekmerion.core.isolate.Isolation}. Knows nothing of what the things are.
 */
package tekmerion.core.isolate;
