/** That a machine was taken back: by whom, and what was paid. */
package tekmerion.server.handback;
