package tekmerion.server.account;

/** What a person does in the shop. */
public enum Role {
  TECHNICIAN,
  LEAD,
  COUNTER
}
