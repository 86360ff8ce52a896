/** What holds of every transaction. Way in: {@link tekmerion.server.transaction.DeadlockRetry}. */
package tekmerion.server.transaction;
