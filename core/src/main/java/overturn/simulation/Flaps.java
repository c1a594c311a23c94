package overturn.simulation;

/** Pressure held at ends behind flaps in their hoses. */
final class Flaps {

    /** Time constant in which a flap lets it go by itself, s; estimate. */
    private static final double LETS_GO_SECONDS = 600;

    private final Plant plant;
    private final Deviations deviations;
    private final double[] heldBar;

    Flaps(Plant plant, Deviations deviations) {
        this.plant = plant;
        this.deviations = deviations;
        this.heldBar = deviations.flapBar.length == 0 ? new double[0] : new double[plant.ends.length];
    }

    /** The foot comes up: flaps shut on what they can hold of the pressure that was there. */
    void shut(int chamber, double bar, Section section) {
        for (int e = 0; e < heldBar.length; e++) {
            if (plant.endChamber[e] == chamber && section.reaches(chamber, plant.endPart[e])) {
                double holds = 0;
                for (int part : plant.upstream[e]) {
                    holds = Math.max(holds, deviations.flapBar[part]);
                }
                heldBar[e] = Math.max(heldBar[e], Math.min(bar, holds));
            }
        }
    }

    /** Cracked screws let go of it. */
    void letGo(Section section) {
        for (int e = 0; e < heldBar.length; e++) {
            heldBar[e] = section.endOpen[e] ? 0 : heldBar[e];
        }
    }

    void rest(double seconds) {
        for (int e = 0; e < heldBar.length; e++) {
            heldBar[e] *= Math.exp(-seconds / LETS_GO_SECONDS);
        }
    }

    /** Pressure still held at an end, bar. */
    double heldBar(int end) {
        return heldBar.length == 0 ? 0 : heldBar[end];
    }
}
