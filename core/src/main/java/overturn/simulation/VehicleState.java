package overturn.simulation;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import overturn.circuit.Component.Master;
import overturn.suspect.Fault;
import overturn.suspect.Fault.ReleaseValvePassing;

/** The vehicle while a protocol is run: what is pressed, how long, what has leaked where. Lives for one run only. */
final class VehicleState {

    /** Time constant of the foot sinking while the assist builds up, s; estimate. */
    private static final double RUNNING_CREEP_SECONDS = 20;

    /** Pressure from which on a stroke draws in all that a held-back piston can, bar; estimate. */
    private static final double STOP_BAR = 20;
    /** Share of the master's stroke that a usual press takes, against which reserve strokes are counted; estimate. */
    private static final double USUAL_PRESS_SHARE = 0.35;
    /** Rod travel from the first of a hole covered to all of it, its lip pressed over it; estimate. */
    private static final double HOLE_COVERED_MM = 1;
    /**
     * Fluid that swells over minutes finds its way past a half-covered hole where a quick return does not; estimate.
     */
    private static final double SLOW_FLOW = 3;
    /** Front wheels after the drive for which a heating is stated, °C (docs/trade-figures.md). */
    private static final double USUAL_FRONT_C = 70;
    /** Expansion of glycol and mineral fluid per °C (docs/trade-figures.md A: 0.0007 to 0.0009). */
    static final double EXPANSION_PER_C = 0.0008;
    /** More than any pedal or lever needs to meet its stop; estimate. */
    static final double STOP_FORCE_N = 5_000;

    /** No air anywhere; definition. */
    private static final double[] NO_AIR = {};
    /** A pedal ratio that changes by less is found; chosen. */
    private static final double SAME_RATIO = 1e-7;

    /** Change of pressure for which it is solved anew, as a share; chosen for speed. */
    private static final double WORTH_SOLVING_SHARE = 0.003;
    /** Decades of time over which creep is given; definition. */
    private static final double[] CREEP_DECADES =
            IntStream.rangeClosed(0, 900).mapToDouble(s -> Math.log10(1 + s)).toArray();

    final Plant plant;
    final VehicleUnknowns vehicle;
    final Deviations deviations;
    final AssistState assist;
    final RodPlay play;
    final Flaps flaps;
    final ChamberLoad[] loads = new ChamberLoad[2];
    final double[] pressureBar = new double[2];
    final double[] compartmentMl = new double[2];
    final double[] markedCompartmentMl = new double[2];
    final double[] closedChamberMl = new double[2];
    final double[] trappedMl = new double[2];
    Section section;
    boolean parkingBrakeOn;
    double forceN;
    double heldSeconds;
    double heatC;
    double markedTravelMm;
    double secondsSinceRelease = 1e6;

    private final double areaMm2;
    private final double[] limitMl = new double[2];
    /** Rod travel from rest to the pedal's stop or the lever's grip, mm. */
    private double stopRodMm;

    final double[] swallowedMl = new double[2];
    private final double[] elasticMl = new double[2];
    final double[] lostMl = new double[2];
    private final double[] letOutMl = new double[2];
    final double[] keptMl = new double[2];
    private final double[] sweptMm = new double[2];
    private final double[] solvedMl = new double[2];
    private final boolean[] bottomed = new boolean[2];
    private final double[] airLetInMl;
    final Leaks leaks;
    private boolean taken;
    private boolean atStop;
    /** Ratio at the travel that was solved last. */
    private double ratioNow;
    /** Rod travel that moves no piston: play and ports. */
    private double beforePistonsMm;

    private double runningSeconds;

    VehicleState(Plant plant, VehicleUnknowns vehicle, List<Fault> faults, Section section, VehicleCondition before) {
        this.plant = plant;
        this.vehicle = vehicle;
        this.deviations = Deviations.of(plant, faults);
        this.assist = new AssistState(plant, vehicle, deviations, before.reserveShare());
        this.areaMm2 = plant.boreMm2 * deviations.boreFactor;
        this.flaps = new Flaps(plant, deviations);
        this.play = new RodPlay(plant, vehicle, deviations);
        this.airLetInMl = before.airLetInMl().isEmpty()
                ? NO_AIR
                : before.airLetInMl().stream().mapToDouble(Double::doubleValue).toArray();
        this.taken = before.padsTakenUp();
        // Plugs and clamps take several times as long to fit as a closed chamber takes to leak back.
        boolean drainedMeanwhile = !section.cuts.closed().isEmpty();
        this.heatC = before.heatC();
        for (int c = 0; c < 2; c++) {
            trappedMl[c] = before.trappedMl().get(c);
            closedChamberMl[c] = drainedMeanwhile ? 0 : before.closedChamberMl().get(c);
            sweptMm[c] = before.sweptMm().get(c);
        }
        this.leaks = new Leaks(this);
        recut(section);
    }

    VehicleCondition condition() {
        double[] air = airLetInMl.length == 0 ? new double[0] : airLetInMl.clone();
        for (int c = 0; c < plant.chambers; c++) {
            for (int part : section.airAfterwards[c]) {
                air = air.length == 0 ? new double[plant.parts.length] : air;
                air[part] += Section.AIR_PER_JOINT_ML;
            }
        }
        return new VehicleCondition(
                assist.charge(), heatC, boxed(trappedMl), boxed(closedChamberMl), boxed(air), taken, boxed(sweptMm));
    }

    private static List<Double> boxed(double[] values) {
        return Arrays.stream(values).boxed().toList();
    }

    // ---- what is done

    void recut(Section newSection) {
        double coveredBefore = section == null ? 0 : coveredShare();
        section = newSection;
        limitStroke();
        assist.vent(section.supplyVented);
        assist.pinch(section.hosePinched);
        rebuildLoads();
        for (int c = 0; c < plant.chambers; c++) {
            if (section.open[c]) {
                trappedMl[c] = 0;
            } else if (!covered(c)) {
                letBack(c, 0);
            } else if (deviations.holeDrainSeconds[c] <= 0 && coveredShare() < coveredBefore) {
                letBack(c, Math.pow(coveredShare() / coveredBefore, SLOW_FLOW));
            }
        }
        flaps.letGo(section);
        settle();
    }

    /**
     * What is pushed in at rest is stroke spent: the piston has less way to go, and so has a lever set nearer its grip.
     */
    private void limitStroke() {
        double pushedInMm = Math.max(0, play.preLoadBeyondPlayMm(section));
        for (int c = 0; c < 2; c++) {
            limitMl[c] = Math.max(0, plant.strokeLimitMm[c] - (c == 0 ? pushedInMm : 0)) * areaMm2 / 1000;
        }
        stopRodMm = plant.input.rodTravelMm(plant.input.travelToStopMm()) / deviations.ratioFactor
                - deviations.restsNearerStopMm(section);
    }

    private void rebuildLoads() {
        for (int c = 0; c < plant.chambers; c++) {
            loads[c] = ChamberLoad.of(plant, section, c, vehicle, deviations, taken, heatC, airLetInMl);
        }
    }

    void engine(boolean running) {
        assist.run(running);
        runningSeconds = 0;
        if (forceN == 0) {
            assist.advance(30, false);
        }
        settle();
    }

    void press(double askedForceN) {
        forceN = askedForceN * vehicle.person().forceBias();
        heldSeconds = 0;
        runningSeconds = 0;
        settle();
        assist.use(
                (strokeMm(0) + strokeMm(1)) / (USUAL_PRESS_SHARE * (plant.strokeLimitMm[0] + plant.strokeLimitMm[1])));
    }

    void hold(double seconds, double stepSeconds) {
        double left = seconds;
        while (left > 1e-9) {
            double step = Math.min(stepSeconds, left);
            advance(step);
            left -= step;
        }
        if (atStop || bottomed[0] || bottomed[1]) {
            settle();
        }
    }

    private void advance(double seconds) {
        heldSeconds += seconds;
        if (assist.running()) {
            runningSeconds += seconds;
        }
        if (assist.changing()) {
            assist.advance(seconds, true);
            settle();
        } else if ((atStop || bottomed[0] || bottomed[1]) && hasMoved()
                || loads[0].changesWithTime()
                || plant.tandem() && loads[1].changesWithTime()) {
            settle();
        }
        leaks.advance(seconds);
        if (!atStop && reachesAnEnd()) {
            settle();
        }
    }

    /** Whether a piston, or pedal or lever, may have come to its end since the last solution. */
    private boolean reachesAnEnd() {
        double first = contentMl(0);
        double second = plant.tandem() ? contentMl(1) : 0;
        return first > limitMl[0] && !bottomed[0]
                || plant.tandem() && second > limitMl[1] && !bottomed[1]
                || beforePistonsMm + bracketMm() + 1000 * (first + second) / areaMm2 > stopRodMm;
    }

    /**
     * Whether so much has crept or leaked since the last solution that a piston at its end has lost pressure worth
     * telling.
     */
    private boolean hasMoved() {
        for (int c = 0; c < plant.chambers; c++) {
            if (Math.abs(contentMl(c) - solvedMl[c]) > WORTH_SOLVING_SHARE * limitMl[c]) {
                return true;
            }
        }
        return false;
    }

    /** Takes fluid out of a chamber, as long as its piston can push some after; returns what was really lost, mL. */
    double lose(int chamber, double ml) {
        double lost =
                Math.max(0, Math.min(ml, limitMl[chamber] + keptMl[chamber] - letOutMl[chamber] - lostMl[chamber]));
        lostMl[chamber] += lost;
        return lost;
    }

    void release(double seconds) {
        for (int c = 0; c < plant.chambers; c++) {
            double bar = pressureBar[c];
            flaps.shut(c, bar, section);
            sweptMm[c] = Math.max(sweptMm[c], strokeMm(c));
            // On a quick return fluid is drawn past the cups for what has not come back: stroke by stroke it builds up.
            double out =
                    loads[c].lingeringMl(bar, parkingBrakeOn) + vehicle.letGo().drawnShare() * keptMl[c];
            keptMl[c] = out * Math.exp(-seconds / vehicle.creep().returnSeconds());
            compartmentMl[c] -= lostMl[c];
            lostMl[c] = 0;
            letOutMl[c] = 0;
            if (covered(c) && bar > 1) {
                double drawnMl = vehicle.letGo().drawnInMl() * Math.min(1, bar / STOP_BAR) * heldBackShare(c);
                trappedMl[c] += drawnMl;
                compartmentMl[c] -= drawnMl;
            }
        }
        boolean firstPress = !taken && forceN > 0;
        secondsSinceRelease = forceN > 0 ? 0 : secondsSinceRelease;
        forceN = 0;
        assist.released();
        if (firstPress) {
            taken = true;
            rebuildLoads();
        }
        rest(seconds);
    }

    /** What a hole held in flows back into the reservoir, but for this share. */
    private void letBack(int chamber, double leftShare) {
        compartmentMl[chamber] += trappedMl[chamber] * (1 - leftShare);
        trappedMl[chamber] *= leftShare;
    }

    /** Lets time pass with nothing pressed. */
    void rest(double seconds) {
        secondsSinceRelease += seconds;
        assist.advance(seconds, false);
        for (int i = 0; i < deviations.releaseValves.size(); i++) {
            ReleaseValvePassing valve = deviations.releaseValves.get(i);
            int c = valve.chamber().ordinal();
            double back = closedChamberMl[c] * (1 - Math.exp(-seconds / valve.leakBackSeconds()));
            closedChamberMl[c] -= back;
            compartmentMl[c] += back;
        }
        for (int c = 0; c < plant.chambers; c++) {
            if (deviations.holeDrainSeconds[c] > 0 && play.preLoadBeyondPlayMm(section) <= 0) {
                letBack(c, Math.exp(-seconds / deviations.holeDrainSeconds[c]));
            }
        }
        flaps.rest(seconds);
        settle();
    }

    void stand(double seconds) {
        rest(seconds);
        taken = false;
        rebuildLoads();
        settle();
    }

    void heat(double byC) {
        heatC += byC;
        double drivenC = byC * vehicle.wheels().frontC() / USUAL_FRONT_C;
        for (int c = 0; c < plant.chambers; c++) {
            if (covered(c)) {
                trappedMl[c] += EXPANSION_PER_C * loads[c].hotMl() * drivenC * Math.pow(heldBackShare(c), SLOW_FLOW);
            }
        }
        rebuildLoads();
        settle();
    }

    void letOut(int chamber, double pistonMm) {
        letOutMl[chamber] = pistonMm * areaMm2 / 1000;
        settle();
    }

    void mark() {
        markedTravelMm = travelMm();
        System.arraycopy(compartmentMl, 0, markedCompartmentMl, 0, 2);
    }

    // ---- what follows from it

    /** Whether the compensating hole of a chamber does not let fluid back at rest. */
    boolean covered(int chamber) {
        return deviations.holeDrainSeconds[chamber] > 0 && !section.open[chamber]
                || play.preLoadBeyondPlayMm(section) > 0 && !section.open[chamber];
    }

    /** Share of what would flow back that a hole holds back: a rod covers it a little or all of it. */
    private double heldBackShare(int chamber) {
        return deviations.holeDrainSeconds[chamber] > 0 ? 1 : coveredShare();
    }

    /** Share of a hole that a pushed-in piston covers at rest, 0 to 1. */
    private double coveredShare() {
        return Math.max(0, Math.min(1, play.preLoadBeyondPlayMm(section) / HOLE_COVERED_MM));
    }

    double ratio(double travelMm) {
        return plant.input.ratioAt(travelMm) * deviations.ratioFactor;
    }

    double springsN() {
        return plant.master.springsN() * vehicle.factors().springs();
    }

    /** Solves force, pressure and travel together. */
    void settle() {
        ratioNow = ratio(0);
        beforePistonsMm = Math.min(1, ratioNow * forceN / springsN()) * play.lostMotionMm(section, assist.lashMm());
        boolean varies = plant.input.ratioAtStop() != plant.input.ratioAtRest();
        for (int i = 0; i < 40; i++) {
            settleAt(targetBar(ratioNow * forceN));
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

    double targetBar(double rodN) {
        double output = rodN - springsN() - deviations.bindingN - deviations.stickingN + assist.outputN(rodN);
        return section.masterLoose ? 0 : Math.max(0, 10 * output / areaMm2);
    }

    private void settleAt(double bar) {
        for (int c = 0; c < plant.chambers; c++) {
            pressureBar[c] = section.open[c] ? 0 : bar;
            evaluate(c);
            bottomed[c] = section.open[c] && forceN > 0 || contentMl(c) > limitMl[c];
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
        double most = Math.max(pressureBar[0], pressureBar[1]);
        settleAt(Roots.between(0, most, bar -> {
            settleAt(bar);
            return rodMm() - stopRodMm;
        }));
    }

    private void evaluate(int c) {
        swallowedMl[c] = loads[c].swallowedMl(pressureBar[c], parkingBrakeOn, heldSeconds + 1);
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

    private double creepDecades() {
        int whole = (int) heldSeconds;
        return whole == heldSeconds && whole < CREEP_DECADES.length
                ? CREEP_DECADES[whole]
                : Math.log10(1 + heldSeconds);
    }

    /**
     * What has left the master's chamber: in the ends at its pressure, crept, lost; less what was still out from the
     * presses before, mL.
     */
    double contentMl(int c) {
        return swallowedMl[c] + creepMl(c) + lostMl[c] + letOutMl[c] - outBeforeMl(c);
    }

    /** What presses before have left in ends and lines, mL: it has not come back yet, or a hole holds it in. */
    double outBeforeMl(int c) {
        return covered(c) ? Math.min(keptMl[c] + trappedMl[c], Math.max(keptMl[c], swallowedMl[c])) : keptMl[c];
    }

    /** What ends, hoses and pads take up over time, mL. */
    double creepMl(int c) {
        double ml = elasticMl[c] * vehicle.creep().perDecade() * creepDecades();
        if (runningSeconds > 0) {
            ml += swallowedMl[c] * vehicle.creep().running() * (1 - Math.exp(-runningSeconds / RUNNING_CREEP_SECONDS));
        }
        return ml;
    }

    /** Fluid that the piston of a chamber has pushed out, mL. */
    double displacedMl(int c) {
        return section.open[c] && forceN > 0 ? limitMl[c] : Math.max(0, Math.min(limitMl[c], contentMl(c)));
    }

    double strokeMm(int c) {
        if (c >= plant.chambers) {
            return 0;
        }
        double ml = displacedMl(c);
        Master master = plant.master;
        if (master.fastFillBoreMm() > master.boreMm()) {
            double share = Math.pow(master.boreMm() / master.fastFillBoreMm(), 2);
            double fast = Math.min(ml, loads[c].swallowedMl(Master.FAST_FILL_BAR, parkingBrakeOn, 1));
            ml -= fast * (1 - share);
        }
        return 1000 * ml / areaMm2;
    }

    private double rodMm() {
        return beforePistonsMm + bracketMm() + strokeMm(0) + strokeMm(1);
    }

    /**
     * How far the bracket gives way, mm at the rod, under what really goes through the rod: a pedal on its stop pushes
     * no more.
     */
    double bracketMm() {
        double mmPerKn = deviations.flexMmPerKn + vehicle.lost().bulkheadMmPerKn();
        if (mmPerKn == 0) {
            return 0;
        }
        double throughN = Math.max(pressureBar[0], pressureBar[1]) * areaMm2 / 10 + springsN();
        return mmPerKn * Math.min(ratioNow * forceN, throughN) / 1000;
    }

    double travelMm() {
        return Math.min(plant.input.travelToStopMm(), plant.input.travelMm(rodMm()) * deviations.ratioFactor);
    }
}
