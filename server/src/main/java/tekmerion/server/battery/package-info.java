/** The battery of a job's machine. Way in: {@link tekmerion.server.battery.BatteryViews}. */
package tekmerion.server.battery;
