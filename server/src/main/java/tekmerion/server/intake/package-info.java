/** Taking in: the conversation at the counter, drafts, the label, the owner's sealed password. */
package tekmerion.server.intake;
