package overturn.verdict;

/**
 * Which suspects, tests, frequencies and rules judged an entry. It changes with anything by which the same readings may
 * be believed otherwise; a test holds a fingerprint of the catalogue against it.
 */
public final class CatalogueVersion {

    /** Of this program: the day of the change, counted where there was more than one. */
    public static final String CURRENT = "2026-12-01.6";

    private CatalogueVersion() {}
}
