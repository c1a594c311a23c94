package overturn.practice;

/** What an exercise is worth: what was right, and what it cost against the planner on the same vehicle. */
public final class Score {

    /** Points for naming what was needed, and nothing beside it; chosen. */
    private static final int FOR_RIGHT = 60;
    /** Points for costing no more than the planner; chosen. */
    private static final int FOR_COST = 40;
    /** Points that asking takes; chosen. */
    private static final int HELP = 5;
    /** Points that a mishap takes; chosen. */
    private static final int MISHAP = 10;

    private Score() {}

    /**
     * Points, 0 to 100; none where an unsafe act stopped it.
     *
     * @param helps how often the program was asked
     * @param mishaps what went wrong on the way
     * @param stopped whether an unsafe act ended it
     */
    public static int points(Route own, Route planner, int helps, int mishaps, boolean stopped) {
        if (stopped) {
            return 0;
        }
        double share = Math.min(1, planner.costMinutes() / Math.max(1, own.costMinutes()));
        int points =
                (own.right() ? FOR_RIGHT : 0) + (int) Math.round(FOR_COST * share) - HELP * helps - MISHAP * mishaps;
        return Math.max(0, Math.min(100, points));
    }
}
