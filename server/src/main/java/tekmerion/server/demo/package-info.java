/** The demo shop's first day; only with tekmerion.demo=true. */
package tekmerion.server.demo;
