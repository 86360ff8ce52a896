/** What ended jobs came to: how they were decided, and how that turned out. */
package tekmerion.server.records;
