package overturn.simulation;

/** The compensating holes of the master: what covers or clogs them at rest. */
final class Holes {

    /** Rod travel from the first of a hole covered to all of it, its lip pressed over it; estimate. */
    private static final double HOLE_COVERED_MM = 1;

    private final Deviations deviations;
    private final RodPlay play;

    Holes(Deviations deviations, RodPlay play) {
        this.deviations = deviations;
        this.play = play;
    }

    /** Whether the hole of a chamber does not let fluid back at rest. */
    boolean covered(int chamber, Section section) {
        return deviations.holeDrainSeconds[chamber] > 0 && !section.open[chamber]
                || play.preLoadBeyondPlayMm(section) > 0 && !section.open[chamber];
    }

    /** Share of what would flow back that a hole holds back: a rod covers it a little or all of it. */
    double heldBackShare(int chamber, Section section) {
        return clogged(chamber) ? 1 : coveredShare(section);
    }

    /** Share of a hole that a pushed-in piston covers at rest, 0 to 1. */
    double coveredShare(Section section) {
        return Math.max(0, Math.min(1, play.preLoadBeyondPlayMm(section) / HOLE_COVERED_MM));
    }

    boolean clogged(int chamber) {
        return deviations.holeDrainSeconds[chamber] > 0;
    }

    /** Share of what a clogged hole holds in that is still there after a rest; all of it under a pushed-in piston. */
    double leftAfterRest(int chamber, double seconds, Section section) {
        return clogged(chamber) && play.preLoadBeyondPlayMm(section) <= 0
                ? Math.exp(-seconds / deviations.holeDrainSeconds[chamber])
                : 1;
    }
}
