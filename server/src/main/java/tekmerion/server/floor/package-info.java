/** The floor: who needs a person now. */
package tekmerion.server.floor;
