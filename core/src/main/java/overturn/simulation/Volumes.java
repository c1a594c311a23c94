package overturn.simulation;

import java.util.Arrays;
import java.util.List;

/** Where the fluid of each chamber has gone, mL: nothing is made or lost, it only goes from one to the other. */
final class Volumes {

    private final double[] compartmentMl = new double[2];
    private final double[] markedCompartmentMl = new double[2];
    private final double[] closedChamberMl = new double[2];
    private final double[] trappedMl = new double[2];
    private final double[] swollenMl = new double[2];
    private final double[] lostMl = new double[2];
    private final double[] letOutMl = new double[2];
    private final double[] keptMl = new double[2];

    /** @param closedDrained whether the modulator's closed chambers have leaked back meanwhile */
    Volumes(VehicleCondition before, boolean closedDrained) {
        for (int c = 0; c < 2; c++) {
            trappedMl[c] = before.trappedMl().get(c);
            swollenMl[c] = before.swollenMl().get(c);
            closedChamberMl[c] = closedDrained ? 0 : before.closedChamberMl().get(c);
        }
    }

    /** What a compartment of the reservoir has more than it had at first; less where it is negative. */
    double compartmentMl(int c) {
        return compartmentMl[c];
    }

    /** What a compartment has gained since the mark. */
    double gainedSinceMarkMl(int c) {
        return compartmentMl[c] - markedCompartmentMl[c];
    }

    /** Held in by a hole that is covered or clogged. */
    double trappedMl(int c) {
        return trappedMl[c];
    }

    /** In the modulator's closed chambers, past a release valve. */
    double closedChamberMl(int c) {
        return closedChamberMl[c];
    }

    /** Out of the pressed chamber for good: past a cup, outside, into a closed chamber. */
    double lostMl(int c) {
        return lostMl[c];
    }

    /** Out at a screw by hand. */
    double letOutMl(int c) {
        return letOutMl[c];
    }

    /** What earlier presses have left in ends and lines that has not come back yet. */
    double keptMl(int c) {
        return keptMl[c];
    }

    List<Double> trapped() {
        return boxed(trappedMl);
    }

    /** The part of what is held in that warmth has added. */
    List<Double> swollen() {
        return boxed(swollenMl);
    }

    List<Double> closedChambers() {
        return boxed(closedChamberMl);
    }

    static List<Double> boxed(double[] values) {
        return Arrays.stream(values).boxed().toList();
    }

    void mark() {
        System.arraycopy(compartmentMl, 0, markedCompartmentMl, 0, 2);
    }

    /** Takes fluid out of a chamber, as long as its piston can push some after; returns what was really lost, mL. */
    double lose(int c, double ml, double pistonLimitMl) {
        double lost = Math.max(0, Math.min(ml, pistonLimitMl + keptMl[c] - letOutMl[c] - lostMl[c]));
        lostMl[c] += lost;
        return lost;
    }

    void intoCompartment(int c, double ml) {
        compartmentMl[c] += ml;
    }

    void intoClosedChamber(int c, double ml) {
        closedChamberMl[c] += ml;
    }

    void letOut(int c, double ml) {
        letOutMl[c] = ml;
    }

    /** The foot comes up: the compartment makes good what was lost, and this much has not come back. */
    void release(int c, double notBackMl) {
        keptMl[c] = notBackMl;
        compartmentMl[c] -= lostMl[c];
        lostMl[c] = 0;
        letOutMl[c] = 0;
    }

    /** A quick return draws fluid in, which a hole then holds in, until so much is held that the ends push back. */
    void drawIn(int c, double ml, double mostHeldMl) {
        double drawn = Math.max(0, Math.min(ml, mostHeldMl - trappedMl[c]));
        trappedMl[c] += drawn;
        compartmentMl[c] -= drawn;
    }

    /** What is held in swells as it warms up. */
    void swell(int c, double ml) {
        trappedMl[c] += ml;
        swollenMl[c] += ml;
    }

    /** What a hole held in flows back into the reservoir, but for this share. */
    void letBack(int c, double leftShare) {
        compartmentMl[c] += trappedMl[c] * (1 - leftShare);
        trappedMl[c] *= leftShare;
        swollenMl[c] *= leftShare;
    }

    /** A hole that the pressure behind it pushes open keeps this much and lets the rest back. */
    void keepAtMost(int c, double ml) {
        if (trappedMl[c] > ml) {
            letBack(c, ml / trappedMl[c]);
        }
    }

    /** What was held in runs out where the circuit is open. */
    void spill(int c) {
        trappedMl[c] = 0;
        swollenMl[c] = 0;
    }

    /** A share of what is in the closed chambers leaks back. */
    void leakBack(int c, double share) {
        double back = closedChamberMl[c] * share;
        closedChamberMl[c] -= back;
        compartmentMl[c] += back;
    }
}
