package overturn.simulation;

import java.util.List;
import overturn.suspect.Fault;
import overturn.suspect.Fault.ReleaseValvePassing;

/** The vehicle while a protocol is run: carries out what is done to it. Lives for one run only. */
final class VehicleState {

    /** Pressure from which on a stroke draws in all that a held-back piston can, bar; estimate. */
    private static final double STOP_BAR = 20;
    /** Share of the master's stroke that a usual press takes, against which reserve strokes are counted; estimate. */
    private static final double USUAL_PRESS_SHARE = 0.35;
    /** A drive in which fluid warms up, s; estimate. */
    private static final double WARMING_SECONDS = 600;
    /** Time in which a rod is turned, a pedal lifted or a line opened, s; estimate. */
    private static final double CUTTING_SECONDS = 20;
    /** Front wheels after the drive for which a heating is stated, °C (docs/trade-figures.md). */
    private static final double USUAL_FRONT_C = 70;
    /** Expansion of glycol and mineral fluid per °C (docs/trade-figures.md A: 0.0007 to 0.0009). */
    static final double EXPANSION_PER_C = 0.0008;
    /** More than any pedal or lever needs to meet its stop; estimate. */
    static final double STOP_FORCE_N = 5_000;

    /** From here on fluid has run back and pads have gone back while a vehicle stood, s; estimate. */
    private static final double STOOD_LONG_SECONDS = 900;

    /** No air anywhere; definition. */
    private static final double[] NO_AIR = {};

    private final Mechanism mechanism;
    private final Plant plant;
    private final AssistState assist;
    private final double[] releasedBar = new double[2];
    private final Holes holes;
    private final Flaps flaps;
    private final Controls controls = new Controls();
    private final Volumes volumes;
    private final TravelSolver travel;
    private final Leaks leaks;
    private final double[] sweptMm = new double[2];
    private final double[] airLetInMl;
    private Section section;
    private boolean taken;
    private double heatC;
    private double markedTravelMm;

    VehicleState(Plant plant, VehicleUnknowns vehicle, List<Fault> faults, Section section, VehicleCondition before) {
        this.mechanism = Mechanism.of(plant, vehicle, faults, before.reserveShare());
        this.plant = plant;
        this.assist = mechanism.assist();
        this.holes = mechanism.holes();
        this.flaps = new Flaps(plant, mechanism.deviations());
        this.airLetInMl = before.airLetInMl().isEmpty()
                ? NO_AIR
                : before.airLetInMl().stream().mapToDouble(Double::doubleValue).toArray();
        this.taken = before.padsTakenUp();
        this.heatC = before.heatC();
        // Plugs and clamps take several times as long to fit as a closed chamber takes to leak back.
        this.volumes = new Volumes(before, !section.cuts.closed().isEmpty());
        for (int c = 0; c < 2; c++) {
            sweptMm[c] = before.sweptMm().get(c);
        }
        this.section = section;
        this.travel = new TravelSolver(mechanism, controls, volumes, section);
        this.leaks = new Leaks(this);
        cutTo(section, 0);
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
                assist.charge(),
                heatC,
                volumes.trapped(),
                volumes.swollen(),
                volumes.closedChambers(),
                Volumes.boxed(air),
                taken,
                Volumes.boxed(sweptMm));
    }

    Mechanism mechanism() {
        return mechanism;
    }

    Flaps flaps() {
        return flaps;
    }

    Controls controls() {
        return controls;
    }

    Volumes volumes() {
        return volumes;
    }

    TravelSolver travel() {
        return travel;
    }

    Leaks leaks() {
        return leaks;
    }

    Section section() {
        return section;
    }

    /** How much warmer than at rest, °C. */
    double heatC() {
        return heatC;
    }

    double sinceMarkMm() {
        return travel.travelMm() - markedTravelMm;
    }

    boolean covered(int chamber) {
        return holes.covered(chamber, section);
    }

    /** Pressure at which the pedal was let go last, bar. */
    double releasedBar(int chamber) {
        return releasedBar[chamber];
    }

    Holes holes() {
        return holes;
    }

    // ---- what is done

    void recut(Section cut) {
        cutTo(cut, holes.coveredShare(section));
    }

    private void cutTo(Section cut, double coveredBefore) {
        section = cut;
        travel.cutTo(cut);
        assist.vent(section.supplyVented);
        assist.pinch(section.hosePinched);
        reload();
        for (int c = 0; c < plant.chambers; c++) {
            if (section.open[c]) {
                volumes.spill(c);
            } else if (!covered(c)) {
                volumes.letBack(c, 0);
            } else if (holes.coveredShare(section) < coveredBefore) {
                volumes.letBack(c, holes.leftAfterRest(c, CUTTING_SECONDS, section));
            }
        }
        flaps.letGo(section);
        travel.settle();
    }

    private void reload() {
        travel.load(taken, heatC, airLetInMl);
    }

    void engine(boolean running) {
        assist.run(running);
        controls.engineTurned();
        if (controls.forceN() == 0) {
            assist.advance(30, false);
        }
        travel.settle();
    }

    /** A force that the hand or foot means, N: this person presses a little more or less. */
    void press(double askedForceN) {
        controls.press(meant(askedForceN));
        travel.settle();
        assist.use((travel.strokeMm(0) + travel.strokeMm(1))
                / (USUAL_PRESS_SHARE * (plant.strokeLimitMm[0] + plant.strokeLimitMm[1])));
    }

    /** On the way down to a force, N. */
    void pressing(double askedForceN) {
        controls.pressing(meant(askedForceN));
        travel.settle();
    }

    private double meant(double askedForceN) {
        return askedForceN * mechanism.vehicle().person().forceBias();
    }

    void parkingBrake(boolean on) {
        controls.setParkingBrake(on);
    }

    void steer(boolean againstStop) {
        assist.steer(againstStop);
    }

    void hold(double seconds, double stepSeconds) {
        double left = seconds;
        while (left > 1e-9) {
            double step = Math.min(stepSeconds, left);
            advance(step);
            left -= step;
        }
        if (travel.atAnEnd()) {
            travel.settle();
        }
    }

    private void advance(double seconds) {
        controls.hold(seconds, assist.running());
        if (assist.changing()) {
            assist.advance(seconds, true);
            travel.settle();
        } else if (travel.atAnEnd() && travel.hasMoved() || travel.changesWithTime()) {
            travel.settle();
        }
        leaks.advance(seconds);
        if (travel.reachesAnEnd()) {
            travel.settle();
        }
    }

    void release(double seconds) {
        for (int c = 0; c < plant.chambers; c++) {
            double bar = travel.pressureBar(c);
            flaps.shut(c, bar, section);
            releasedBar[c] = controls.forceN() > 0 ? bar : releasedBar[c];
            sweptMm[c] = Math.max(sweptMm[c], travel.strokeMm(c));
            // On a quick return fluid is drawn past the cups for what has not come back: stroke by stroke it builds up.
            VehicleUnknowns vehicle = mechanism.vehicle();
            double notBackMl = (travel.load(c).lingeringMl(bar, controls.parkingBrakeOn()) + volumes.keptMl(c))
                    * Math.exp(-seconds / vehicle.creep().returnSeconds());
            volumes.release(c, vehicle.letGo().drawnShare() * notBackMl);
            if (covered(c) && bar > 1) {
                volumes.drawIn(
                        c,
                        vehicle.letGo().drawnInMl() * Math.min(1, bar / STOP_BAR),
                        atRestMl(c, vehicle.letGo().drawnToBar()));
            }
        }
        boolean firstPress = !taken && controls.forceN() > 0;
        controls.release();
        assist.released();
        if (firstPress) {
            taken = true;
            reload();
        }
        rest(seconds);
    }

    /** Lets time pass with nothing pressed. */
    void rest(double seconds) {
        controls.rest(seconds);
        assist.advance(seconds, false);
        for (ReleaseValvePassing valve : mechanism.deviations().releaseValves) {
            volumes.leakBack(valve.chamber().ordinal(), 1 - Math.exp(-seconds / valve.leakBackSeconds()));
        }
        for (int c = 0; c < plant.chambers; c++) {
            volumes.letBack(c, holes.leftAfterRest(c, seconds, section));
            letGive(c);
        }
        flaps.rest(seconds);
        travel.settle();
    }

    /** What is held in pushes rods and piston back until the hole shows. */
    private void letGive(int c) {
        double bar = holes.opensAtBar(c, section);
        if (volumes.trappedMl(c) > 0 && bar < Double.POSITIVE_INFINITY) {
            volumes.keepAtMost(c, atRestMl(c, bar));
        }
    }

    /** What a chamber holds at a pressure once all of it has arrived, mL. */
    private double atRestMl(int c, double bar) {
        return travel.load(c).swallowedMl(bar, false, Double.POSITIVE_INFINITY);
    }

    void stand(double seconds) {
        rest(seconds);
        if (seconds >= STOOD_LONG_SECONDS) {
            nothingTaken();
        }
    }

    /** Wheels that turn push pads back, however short the way. */
    void drive(double seconds) {
        rest(seconds);
        nothingTaken();
    }

    private void nothingTaken() {
        taken = false;
        reload();
        travel.settle();
    }

    void heat(double byC) {
        heatC += byC;
        VehicleUnknowns.Wheels wheels = mechanism.vehicle().wheels();
        double fluidC = byC * wheels.toFluid() * wheels.frontC() / USUAL_FRONT_C;
        for (int c = 0; c < plant.chambers; c++) {
            if (covered(c)) {
                volumes.swell(
                        c,
                        EXPANSION_PER_C
                                * travel.load(c).hotMl()
                                * fluidC
                                * holes.leftOfInflow(c, WARMING_SECONDS, section));
                letGive(c);
            }
        }
        reload();
        travel.settle();
    }

    void letOut(int chamber, double pistonMm) {
        volumes.letOut(chamber, pistonMm * mechanism.forces().areaMm2() / 1000);
        travel.settle();
    }

    /** Fluid leaves a chamber, as long as its piston can push some after; returns what was really lost, mL. */
    double lose(int chamber, double ml) {
        return volumes.lose(chamber, ml, travel.limitMl(chamber));
    }

    void mark() {
        markedTravelMm = travel.travelMm();
        volumes.mark();
    }
}
