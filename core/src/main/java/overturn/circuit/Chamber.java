package overturn.circuit;

/** One of the pressure chambers of a master cylinder; the primary is the one next to the rod. */
public enum Chamber {
    PRIMARY,
    SECONDARY
}
