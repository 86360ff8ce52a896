/**
 * The demo shop: people, past jobs from the simulation, the machines of today. A module of its own;
 * a server without it on its class path can make no demo.
 */
package tekmerion.demo;
