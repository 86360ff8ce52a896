/**
 * The probe on a real Linux kernel with emulated drives: a small guest in QEMU, started by {@code
 * ./tekmerion test devices}. {@link tekmerion.probe.devices.DevicesTest} has the table, {@link
 * tekmerion.probe.devices.Guest} the machine, {@link tekmerion.probe.devices.GuestAgent} runs
 * within it.
 */
package tekmerion.probe.devices;
