package overturn.app.usecase;

/** What is wrong with one field: what was given, what is allowed. */
public record Finding(String field, String given, String allowed) {}
