/** Finding jobs by number, serial, customer, model or words. */
package tekmerion.server.search;
