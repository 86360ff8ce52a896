/**
 * Changes of the database's tables from one version of the server to the next. MariaDB cannot undo
 * a change of a table, so everything is copied to a file before, and a change that was cut off is
 * undone from that file. Way in: {@link tekmerion.server.schema.SchemaChange}.
 */
package tekmerion.server.schema;
