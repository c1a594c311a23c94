package overturn.simulation;

/**
 * The compensating holes of the master: what covers or clogs them at rest, and how fast what is held in runs back
 * through what is left open of them.
 */
final class Holes {

    /** Rod travel from the first of a hole covered to all of it, its lip pressed over it; estimate. */
    private static final double HOLE_COVERED_MM = 1;
    /** What is left open of a hole that is as good as covered: a lip is pressed over so narrow a gap; estimate. */
    private static final double SEALED_BELOW_SHARE = 0.05;
    /** From one press to the next at a screw, in which a stroke refills, s; estimate. */
    private static final double REFILL_SECONDS = 2;

    private final Deviations deviations;
    private final RodPlay play;
    private final AssistState assist;
    private final ForceBalance forces;
    private final double openHoleSeconds;
    private final double bulkheadMmPerKn;

    Holes(Deviations deviations, RodPlay play, AssistState assist, ForceBalance forces, VehicleUnknowns vehicle) {
        this.deviations = deviations;
        this.play = play;
        this.assist = assist;
        this.forces = forces;
        this.openHoleSeconds = vehicle.letGo().openHoleSeconds();
        this.bulkheadMmPerKn = vehicle.lost().bulkheadMmPerKn();
    }

    /** Whether something keeps fluid from flowing back through the hole of a chamber at once. */
    boolean covered(int chamber, Section section) {
        return !section.open[chamber] && (clogged(chamber) || coveredShare(section) > 0);
    }

    /**
     * Share of a hole that the piston covers at rest, pushed in by rods or an assist or hanging in its bore, 0 to 1.
     */
    double coveredShare(Section section) {
        if (pushed(section) || hangs()) {
            return 1;
        }
        return Math.max(0, Math.min(1, play.preLoadBeyondPlayMm(section) / HOLE_COVERED_MM));
    }

    /**
     * Pressure held in that pushes piston and rods back against the bulkhead until a hole begins to show, bar: a rod
     * that is a little too long gives way before it locks the wheels; infinite where something else keeps it shut.
     */
    double opensAtBar(int chamber, Section section) {
        if (clogged(chamber) || pushed(section) || hangs()) {
            return Double.POSITIVE_INFINITY;
        }
        double sealedMm = play.preLoadBeyondPlayMm(section) - HOLE_COVERED_MM * (1 - SEALED_BELOW_SHARE);
        double newtons = 1000 * sealedMm / bulkheadMmPerKn;
        return sealedMm > 0 ? 10 * newtons / forces.areaMm2() : Double.POSITIVE_INFINITY;
    }

    private boolean pushed(Section section) {
        return !section.masterLoose && assist.restingN() > forces.springsN();
    }

    private boolean hangs() {
        return deviations.stickingN > forces.springsN();
    }

    private boolean clogged(int chamber) {
        return deviations.holeDrainSeconds[chamber] > 0;
    }

    /**
     * Time constant in which what a chamber holds in runs back, s: slow flow through the sliver that a lip leaves open
     * goes with the cube of its height (laminar flow in a gap); infinite where nothing of it is open.
     */
    private double drainSeconds(int chamber, Section section) {
        double openShare = 1 - coveredShare(section);
        return openShare < SEALED_BELOW_SHARE
                ? Double.POSITIVE_INFINITY
                : Math.max(openHoleSeconds, deviations.holeDrainSeconds[chamber]) / Math.pow(openShare, 3);
    }

    /** Share of what a chamber holds in that is still there after a time with nothing pressed. */
    double leftAfterRest(int chamber, double seconds, Section section) {
        return covered(chamber, section) ? Math.exp(-seconds / drainSeconds(chamber, section)) : 0;
    }

    /** Share of what comes in evenly over a time that is still there at its end. */
    double leftOfInflow(int chamber, double seconds, Section section) {
        if (!covered(chamber, section)) {
            return 0;
        }
        double drain = drainSeconds(chamber, section);
        return Double.isInfinite(drain) ? 1 : drain / seconds * (1 - Math.exp(-seconds / drain));
    }

    /** Share of a stroke at a screw that does not refill through the hole before the next. */
    double notRefilledShare(int chamber, Section section) {
        return leftAfterRest(chamber, REFILL_SECONDS, section);
    }
}
