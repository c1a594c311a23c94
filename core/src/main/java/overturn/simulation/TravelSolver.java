package overturn.simulation;

import java.util.stream.IntStream;
import overturn.circuit.Component.Master;

/**
 * Solves force, pressure and travel together: the pressure that the forces make, what the circuit swallows at it, and
 * how far pistons, pedal or lever go for it; a piston at its end and a pedal on its stop give less.
 */
final class TravelSolver {

    /** Time constant of the foot sinking while the assist builds up, s; estimate. */
    private static final double RUNNING_CREEP_SECONDS = 20;
    /** A pedal ratio that changes by less is found; chosen. */
    private static final double SAME_RATIO = 1e-7;
    /** Change of pressure for which it is solved anew, as a share; chosen for speed. */
    private static final double WORTH_SOLVING_SHARE = 0.003;
    /** Decades of time over which creep is given; definition. */
    private static final double[] CREEP_DECADES =
            IntStream.rangeClosed(0, 900).mapToDouble(s -> Math.log10(1 + s)).toArray();

    private final Plant plant;
    private final VehicleUnknowns vehicle;
    private final Deviations deviations;
    private final AssistState assist;
    private final RodPlay play;
    private final Holes holes;
    private final ForceBalance forces;
    private final Controls controls;
    private final Volumes volumes;

    private Section section;
    private final ChamberLoad[] loads = new ChamberLoad[2];
    private final double[] limitMl = new double[2];
    /** Rod travel from rest to the pedal's stop or the lever's grip, mm. */
    private double stopRodMm;

    private final double[] pressureBar = new double[2];
    private final double[] swallowedMl = new double[2];
    private final double[] elasticMl = new double[2];
    private final double[] solvedMl = new double[2];
    private final boolean[] bottomed = new boolean[2];
    private boolean atStop;
    /** Ratio at the travel that was solved last. */
    private double ratioNow;
    /** Rod travel that moves no piston: play and ports. */
    private double beforePistonsMm;

    TravelSolver(Mechanism mechanism, Controls controls, Volumes volumes, Section section) {
        this.plant = mechanism.plant();
        this.vehicle = mechanism.vehicle();
        this.deviations = mechanism.deviations();
        this.assist = mechanism.assist();
        this.play = mechanism.play();
        this.holes = mechanism.holes();
        this.forces = mechanism.forces();
        this.controls = controls;
        this.volumes = volumes;
        this.section = section;
    }

    /**
     * Works on these parts of the circuit from now on. What is pushed in at rest is stroke spent: the piston has less
     * way to go, and so has a lever set nearer its grip.
     */
    void cutTo(Section cut) {
        section = cut;
        double pushedInMm = Math.max(0, play.preLoadBeyondPlayMm(section));
        for (int c = 0; c < 2; c++) {
            limitMl[c] = Math.max(0, plant.strokeLimitMm[c] - (c == 0 ? pushedInMm : 0)) * forces.areaMm2() / 1000;
        }
        stopRodMm = plant.input.rodTravelMm(plant.input.travelToStopMm()) / deviations.ratioFactor
                - deviations.restsNearerStopMm(section);
    }

    /**
     * What the chambers swallow from now on.
     *
     * @param taken whether pushed-back pads and drained-back fluid have been taken up by an earlier press
     * @param airLetInMl air that earlier tests have let in, by part; empty where none
     */
    void load(boolean taken, double heatC, double[] airLetInMl) {
        for (int c = 0; c < plant.chambers; c++) {
            loads[c] = ChamberLoad.of(plant, section, c, vehicle, deviations, taken, heatC, airLetInMl);
        }
    }

    ChamberLoad load(int c) {
        return loads[c];
    }

    double pressureBar(int c) {
        return pressureBar[c];
    }

    double highestBar() {
        return Math.max(pressureBar[0], pressureBar[1]);
    }

    double swallowedMl(int c) {
        return swallowedMl[c];
    }

    /** Volume that the piston of a chamber can push out until its end, mL. */
    double limitMl(int c) {
        return limitMl[c];
    }

    // ---- force, pressure and travel together

    private double ratio(double travelMm) {
        return plant.input.ratioAt(travelMm) * deviations.ratioFactor;
    }

    void settle() {
        ratioNow = ratio(0);
        beforePistonsMm = Math.min(1, ratioNow * controls.forceN() / forces.springsN())
                * play.lostMotionMm(section, assist.lashMm());
        boolean varies = plant.input.ratioAtStop() != plant.input.ratioAtRest();
        for (int i = 0; i < 40; i++) {
            settleAt(targetBar());
            double next = varies ? ratio(travelMm()) : ratioNow;
            if (Math.abs(next - ratioNow) < SAME_RATIO) {
                break;
            }
            ratioNow = next;
        }
        limitToStop();
        for (int c = 0; c < plant.chambers; c++) {
            solvedMl[c] = contentMl(c);
        }
    }

    private double targetBar() {
        return section.masterLoose ? 0 : forces.pressureBar(ratioNow * controls.forceN());
    }

    private void settleAt(double bar) {
        for (int c = 0; c < plant.chambers; c++) {
            pressureBar[c] = section.open[c] ? 0 : bar;
            evaluate(c);
            bottomed[c] = section.open[c] && controls.forceN() > 0 || contentMl(c) > limitMl[c];
            if (bottomed[c] && !section.open[c]) {
                pressureBar[c] = bottomedBar(c, bar);
                evaluate(c);
            }
        }
    }

    private void limitToStop() {
        atStop = rodMm() > stopRodMm;
        if (!atStop) {
            return;
        }
        settleAt(Roots.between(0, highestBar(), bar -> {
            settleAt(bar);
            return rodMm() - stopRodMm;
        }));
    }

    private void evaluate(int c) {
        swallowedMl[c] = loads[c].swallowedMl(pressureBar[c], controls.parkingBrakeOn(), controls.heldSeconds() + 1);
        elasticMl[c] = loads[c].elasticMl(pressureBar[c]);
    }

    /** Pressure at which a chamber whose piston is at its end holds just what the piston has pushed out, bar. */
    private double bottomedBar(int c, double most) {
        return Roots.between(0, most, bar -> {
            pressureBar[c] = bar;
            evaluate(c);
            return contentMl(c) - limitMl[c];
        });
    }

    // ---- while time passes

    /** Whether a piston, pedal or lever is at its end, so that what creeps and leaks takes pressure. */
    boolean atAnEnd() {
        return atStop || bottomed[0] || bottomed[1];
    }

    /** Whether what a chamber swallows comes by and by, behind a restriction. */
    boolean changesWithTime() {
        return loads[0].changesWithTime() || plant.tandem() && loads[1].changesWithTime();
    }

    /** Whether a piston, or pedal or lever, may have come to its end since the last solution. */
    boolean reachesAnEnd() {
        if (atStop) {
            return false;
        }
        double first = contentMl(0);
        double second = plant.tandem() ? contentMl(1) : 0;
        return first > limitMl[0] && !bottomed[0]
                || plant.tandem() && second > limitMl[1] && !bottomed[1]
                || beforePistonsMm + bracketMm() + 1000 * (first + second) / forces.areaMm2() > stopRodMm;
    }

    /**
     * Whether so much has crept or leaked since the last solution that a piston at its end has lost pressure worth
     * telling.
     */
    boolean hasMoved() {
        for (int c = 0; c < plant.chambers; c++) {
            if (Math.abs(contentMl(c) - solvedMl[c]) > WORTH_SOLVING_SHARE * limitMl[c]) {
                return true;
            }
        }
        return false;
    }

    // ---- what follows from it

    /**
     * What has left the master's chamber: in the ends at its pressure, crept, lost; less what was still out from the
     * presses before, mL.
     */
    private double contentMl(int c) {
        return swallowedMl[c] + creepMl(c) + volumes.lostMl(c) + volumes.letOutMl(c) - outBeforeMl(c);
    }

    /** What presses before have left in ends and lines, mL: it has not come back yet, or a hole holds it in. */
    private double outBeforeMl(int c) {
        double kept = volumes.keptMl(c);
        double trapped = volumes.trappedMl(c);
        return trapped > 0 && holes.covered(c, section)
                ? Math.min(kept + trapped, Math.max(kept, swallowedMl[c]))
                : kept;
    }

    /** What ends, hoses and pads take up over time, mL. */
    double creepMl(int c) {
        double ml = elasticMl[c] * vehicle.creep().perDecade() * creepDecades();
        double running = controls.runningSeconds();
        if (running > 0) {
            ml += swallowedMl[c] * vehicle.creep().running() * (1 - Math.exp(-running / RUNNING_CREEP_SECONDS));
        }
        return ml;
    }

    private double creepDecades() {
        double held = controls.heldSeconds();
        int whole = (int) held;
        return whole == held && whole < CREEP_DECADES.length ? CREEP_DECADES[whole] : Math.log10(1 + held);
    }

    /** Fluid that the piston of a chamber has pushed out, mL. */
    double displacedMl(int c) {
        return section.open[c] && controls.forceN() > 0 ? limitMl[c] : Math.max(0, Math.min(limitMl[c], contentMl(c)));
    }

    double strokeMm(int c) {
        if (c >= plant.chambers) {
            return 0;
        }
        double ml = displacedMl(c);
        Master master = plant.master;
        if (master.fastFillBoreMm() > master.boreMm()) {
            double share = Math.pow(master.boreMm() / master.fastFillBoreMm(), 2);
            double fast = Math.min(ml, loads[c].swallowedMl(Master.FAST_FILL_BAR, controls.parkingBrakeOn(), 1));
            ml -= fast * (1 - share);
        }
        return 1000 * ml / forces.areaMm2();
    }

    private double rodMm() {
        return beforePistonsMm + bracketMm() + strokeMm(0) + strokeMm(1);
    }

    /** How far the bracket gives way under what really goes through the rod, mm at the rod. */
    double bracketMm() {
        double mmPerKn = deviations.flexMmPerKn + vehicle.lost().bulkheadMmPerKn();
        return mmPerKn == 0
                ? 0
                : mmPerKn * Math.min(ratioNow * controls.forceN(), forces.throughRodN(highestBar())) / 1000;
    }

    double travelMm() {
        return travelMm(rodMm());
    }

    private double travelMm(double rodMm) {
        return Math.min(plant.input.travelToStopMm(), plant.input.travelMm(rodMm) * deviations.ratioFactor);
    }

    /** Way left before the stop, mm at the pad or tip: less from the start where something holds it nearer its stop. */
    double leftToStopMm() {
        return atStop ? 0 : Math.max(0, travelMm(stopRodMm) - travelMm());
    }
}
