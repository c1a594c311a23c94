package overturn.circuit;

/** Where on the way from foot to wheel a component sits: the parts between which a circuit is cut. */
public enum Segment {
    INPUT,
    ASSIST,
    MASTER,
    LINES,
    ENDS;

    /** Segment of a component; the reservoir belongs to the master, everything between it and the ends to the lines. */
    public static Segment of(Component component) {
        if (component instanceof Input) {
            return INPUT;
        }
        if (component instanceof Assist) {
            return ASSIST;
        }
        if (component instanceof Component.Master || component instanceof Component.Reservoir) {
            return MASTER;
        }
        return component instanceof End ? ENDS : LINES;
    }
}
