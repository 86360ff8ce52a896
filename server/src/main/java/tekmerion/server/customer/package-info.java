/** Customers: knowing them again, giving out and erasing what belongs to them. */
package tekmerion.server.customer;
