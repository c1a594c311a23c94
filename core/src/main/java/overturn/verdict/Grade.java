package overturn.verdict;

/** Grade of a verdict (handbook 05). */
public enum Grade {
    OPEN,
    PROBABLE,
    PROVEN
}
