package tekmerion.core.knowhow;

/** A complaint family: what owners come in with. */
public record Family(String id, String name) {}
