package overturn.verdict;

/** Grade of a verdict (docs/method.md). */
public enum Grade {
    OPEN,
    PROBABLE,
    PROVEN
}
