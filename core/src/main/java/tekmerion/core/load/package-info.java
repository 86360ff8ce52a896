/**
 * What keeps a machine busy: counters of the system at two moments ({@link
 * tekmerion.core.load.LoadSnapshot}), what went on between them ({@link
 * tekmerion.core.load.LoadInterval}), a sample of many ({@link tekmerion.core.load.LoadSample}),
 * and two samples compared ({@link tekmerion.core.load.Shift}).
 */
package tekmerion.core.load;
