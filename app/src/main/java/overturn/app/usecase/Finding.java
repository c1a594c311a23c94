package overturn.app.usecase;

import overturn.layoutfile.RefusedLayoutException;

/** What is wrong with one field: what was given, what is allowed. */
public record Finding(String field, String given, String allowed) {

    /** What keeps a file from being taken, as it is told. */
    public static Finding of(RefusedLayoutException.Refusal refusal) {
        String given = refusal.given().isEmpty() ? "" : "“" + refusal.given() + "”";
        return new Finding(refusal.field(), given, refusal.why());
    }
}
