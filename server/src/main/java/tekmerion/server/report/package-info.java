/** What the owner takes home: one page in plain words, and the evidence behind it. */
package tekmerion.server.report;
