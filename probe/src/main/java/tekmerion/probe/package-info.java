/**
 * The program on the machine under test. Way in: {@link tekmerion.probe.Tekmerion}, its command
 * line: {@code link} keeps a probe on the bench link, {@code instrument} is the offline tools.
 */
package tekmerion.probe;
