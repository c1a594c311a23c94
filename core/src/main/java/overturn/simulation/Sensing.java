package overturn.simulation;

import org.jspecify.annotations.Nullable;
import overturn.circuit.Component;
import overturn.circuit.End;
import overturn.circuit.End.DrumEnd;
import overturn.circuit.End.Slave;
import overturn.protocol.Sensed;
import overturn.suspect.Fault.Binds;
import overturn.suspect.Fault.OutwardLeak;
import overturn.suspect.Fault.Rod;

/** What an eye, a tape, a gauge or a hand would find on a vehicle in its present state. */
final class Sensing {

    /** Pressure at which a switch in the line closes, bar; estimate. */
    private static final double LAMP_SWITCH_BAR = 4;

    /** Of the free play that a worn bush gives at the tip, what is felt when the lever is rocked; estimate. */
    private static final double ROCK_SHARE = 0.65;

    /** Minutes of braking at about 20 bar in a day's round; estimate. */
    private static final double PRESSED_MINUTES_PER_DAY = 10;

    /** Days since the reservoir was full; estimate. */
    private static final double DAYS_SINCE_FULL = 10;
    /** Share of the marks' room by which a well-kept level stands above the minimum; estimate. */
    private static final double KEPT_SHARE = 0.6;
    /** Rise of a wheel's temperature per Nm of drag (docs/trade-figures.md C: +5 Nm is 15 to 30 °C). */
    private static final double C_PER_NM = 4;

    /** A foot goes down for so long before it holds, s; estimate. */
    private static final double PRESSING_SECONDS = 0.5;
    /**
     * Share of a stroke that a shut hole may keep from coming in again: the rest is drawn past the cup, which has its
     * own way to the reservoir, so that masters whose hole is blocked are bled like others; estimate.
     */
    private static final double MOST_NOT_REFILLED = 0.2;
    /** Drawn in by one press, it halves what does not come in again behind a shut hole, mL; estimate. */
    private static final double HALF_REFILLED_ML = 0.15;
    /** Share of the air above a screw that stands below it which still comes to it; estimate. */
    private static final double ABOVE_SCREW_REACHED = 0.03;
    /** Restriction that halves what comes at a screw, s of time constant; estimate. */
    private static final double FLOW_HALVED_SECONDS = 1.5;
    /** Restriction that halves what comes through the hole, s of time constant; estimate. */
    private static final double HOLE_HALVED_SECONDS = 20;
    /** Share of the sticking force that keeps a piston in against its spring; estimate. */
    private static final double SPRING_SHARE = 0.6;
    /** A bore whose area is off by less than this is pitted, not wrong; estimate. */
    private static final double PITTED_BELOW = 1.02;

    /** How much wider a worn and pitted bore is one way than across; estimate. */
    private static final double PITTED_OVAL_MM = 0.1;

    private final VehicleState state;
    private final TravelSolver travel;
    private final Volumes volumes;
    private final Plant plant;
    private final VehicleUnknowns vehicle;
    private final Deviations deviations;
    private final AssistState assist;
    private final RodPlay play;
    private final ForceBalance forces;

    Sensing(VehicleState state) {
        this.state = state;
        this.travel = state.travel();
        this.volumes = state.volumes();
        this.plant = state.mechanism().plant();
        this.vehicle = state.mechanism().vehicle();
        this.deviations = state.mechanism().deviations();
        this.assist = state.mechanism().assist();
        this.play = state.mechanism().play();
        this.forces = state.mechanism().forces();
    }

    /**
     * One quantity, at an end where it has one, else {@link Plant#NONE}. A quantity without a branch does not compile.
     */
    double of(Sensed quantity, int end) {
        return switch (quantity) {
            case TRAVEL_MM -> travel.travelMm();
            case SINK_MM -> state.sinceMarkMm();
            case FREE_PLAY_MM -> play.freePlayMm(state.section());
            case ROCK_MM ->
                0.3
                        + ROCK_SHARE * plant.input.ratioAtRest() * deviations.lostMotionMm[Rod.LEVER_BUSH.ordinal()]
                        + 0.5 * deviations.lostMotionMm[Rod.PEDAL_ROD.ordinal()];
            case RETURN_SECONDS -> returnSeconds();
            case OUTPUT_ROD_GAP_MM ->
                0.3
                        + deviations.lostMotionMm[Rod.OUTPUT_ROD.ordinal()]
                        - deviations.preLoadMm[Rod.OUTPUT_ROD.ordinal()]
                        - deviations.assistProudMm;
            case ROD_MM_PER_40 -> 40 / (plant.input.ratioAt(20) * deviations.ratioFactor);
            case PEDAL_STOP_MM -> deviations.preLoadMm[Rod.PEDAL_STOP.ordinal()];
            case LAMP_LIT -> lampLit() ? 1 : 0;
            case PRIMARY_LEVEL_MM -> levelRiseMm(0);
            case SECONDARY_LEVEL_MM -> levelRiseMm(1);
            case LEVEL_SHORT_ML -> levelShortMl();
            case PRESSURE_BAR -> travel.highestBar();
            case STROKE_USED -> Math.max(used(0), plant.tandem() ? used(1) : 0);
            case END_BAR -> endBar(end);
            case RESIDUAL_BAR -> residualBar(end);
            case BRAKE_SHARE -> brakeShare(end);
            case WHEEL_DRAG_NM -> dragNm(end);
            case WORST_DRAG_NM -> worstDragNm();
            case WHEEL_C ->
                soundWheelC(end) + C_PER_NM * (dragNm(end) - vehicle.wheels().dragNm());
            case SCREW_ML -> screwMl(end);
            case RESIDUAL_VALVE_BAR ->
                deviations.residualMissing ? 0 : plant.master.residualValveBar() + deviations.unwantedResidualBar;
            case PISTON_BINDS_NM ->
                deviations.bindsNm[Binds.PISTON.ordinal()] + deviations.bindsNm[Binds.SEAL_GROOVE.ordinal()];
            case SUPPLY -> assist.supply();
            case RESERVE -> assist.reserve();
            case HISS_FREE -> deviations.leakAtRest - deviations.leakAtJoint;
            case HISS_PRESSED -> deviations.leakPressed;
            case HISS_AT_JOINT -> deviations.leakAtJoint;
            case SUPPLY_HOSE_LEAK -> deviations.leakAtHose;
            case SUPPLY_HOSE_SLOW -> deviations.recoveryFactor;
            case CHECK_VALVE -> deviations.checkValveShut ? 2 : deviations.checkValveLeaks ? 1 : 0;
            case ASSIST_AIR_MM -> deviations.assistAirMm;
            case RETURN_KEPT -> deviations.returnShare;
            case MODULATOR_PULSE -> state.section().fuseOut ? 0 : deviations.modulatorShare;
            case SLAVE_STROKE_MM -> slaveStrokeMm();
            case RELEASE_MARGIN_MM -> releaseMarginMm();
            case FORK_LOSS_MM -> soundForkMm() + deviations.forkWearMm;
            case OUTSIDE_LOSS_ML_PER_DAY -> outsideLossMlPerDay(null);
            case RESERVOIR_LOSS_ML_PER_DAY -> outsideLossMlPerDay(Component.Reservoir.class);
            case END_LOSS_ML_PER_DAY -> outsideLossMlPerDay(End.class);
            case HIDDEN_LOSS_ML_PER_DAY -> deviations.hiddenWeepMl;
            case ASSIST_LOSS_ML_PER_DAY -> deviations.assistLossMl;
            case FOOTWELL_LOSS_ML_PER_DAY -> deviations.footwellLossMl;
            case FRONT_AIR_ML -> airMl(true);
            case REAR_AIR_ML -> airMl(false);
            case LOOP_AIR_ML -> loopAirMl();
            case WATER_PERCENT -> deviations.waterPercent;
            case WRONG_FLUID -> deviations.wrongFluid ? 1 : 0;
            case HOLE_OPEN -> holeClean() * (1 - state.holes().coveredShare(state.section()));
            case HOLE_CLEAN -> holeClean();
            case LIP_WEAR -> lipWear(false);
            case BORE_PITTED -> lipWear(true);
            case PISTON_STICKS_N -> deviations.stickingN;
            case BORE_MM -> boreMm();
            case BORE_WIDER_MM -> boreMm() + (pitted() ? PITTED_OVAL_MM : 0);
            case PORTS_CROSSED -> deviations.portsCrossed ? 1 : 0;
            case PUSHED_BACK_MM -> highest(deviations.pushedBackMm);
            case INPUT_BINDS_SECONDS -> deviations.bindingSeconds;
            case FREES_AT_MM -> freesAtMm();
            case HOSE_LOSS_ML_PER_DAY -> outsideLossMlPerDay(Component.Hose.class);
            case HOSE_SWELLING -> Math.max(0, highest(deviations.swellFactor) - 1);
            case PISTON_MISMATCH -> mismatch(true);
            case PISTON_OFF_LIST -> mismatch(false);
            case SLIDES_BIND_NM -> deviations.bindsNm[Binds.SLIDES.ordinal()];
            case PARKING_BINDS_NM -> deviations.bindsNm[Binds.PARKING_BRAKE.ordinal()];
            case SHOES_BIND_NM -> deviations.bindsNm[Binds.SHOES_TIGHT.ordinal()];
            case SCREWS_BELOW -> highest(deviations.screwBelow);
            case LINING_LOSS -> highest(deviations.liningLost);
            case PIPE_KINKED_SECONDS -> pipeSeconds();
            case VENT_SHUT_BAR -> deviations.reservoirToTheBrim ? 0 : deviations.reservoirShutBar;
            case CONNECTOR_LOSS_ML_PER_DAY -> outsideLossMlPerDay(Component.QuickConnector.class);
            case CLUTCH_WORN_MM -> deviations.extraReleaseMm;
            case MASTER_AIR_ML -> airInMl(Component.Master.class);
            case MODULATOR_AIR_ML -> airInMl(Component.Modulator.class);
            case WRONG_ASSIST -> deviations.wrongAssist ? 1 : 0;
            case BRACKET_MM -> travel.bracketMm();
            case LEFT_TO_STOP_MM -> travel.leftToStopMm();
        };
    }

    private static double highest(double[] values) {
        double most = 0;
        for (double value : values) {
            most = Math.max(most, value);
        }
        return most;
    }

    private double levelRiseMm(int c) {
        return 1000
                * volumes.gainedSinceMarkMl(c)
                / (plant.layout.reservoir().levelAreaMm2()
                        * vehicle.surroundings().levelArea());
    }

    private double used(int c) {
        return travel.displacedMl(c) / (plant.strokeLimitMm[c] * plant.boreMm2 * deviations.boreFactor / 1000);
    }

    private double endBar(int e) {
        return lineBar(e) * gotThroughShare(e);
    }

    /** Share that has got through to an end by now, behind a narrow line. */
    private double gotThroughShare(int e) {
        double seconds = ChamberLoad.restriction(plant, e, deviations);
        return seconds == 0 ? 1 : gotThroughIn(seconds);
    }

    private double gotThroughIn(double timeConstantSeconds) {
        return 1 - Math.exp(-(PRESSING_SECONDS + state.controls().heldSeconds()) / timeConstantSeconds);
    }

    /** Pressure in the line to an end, before any narrow place in it, bar. */
    private double lineBar(int e) {
        int c = plant.endChamber[e];
        if (!state.section().reaches(c, plant.endPart[e])) {
            return 0;
        }
        return plant.valve[plant.endPart[e]] == Plant.NONE
                ? travel.pressureBar(c)
                : travel.load(c).behindValve(travel.pressureBar(c));
    }

    private double brakeShare(int e) {
        int part = plant.endPart[e];
        return (1 - Math.min(1, Deviations.at(deviations.clampingLost, part)))
                * (1 - Math.min(1, Deviations.at(deviations.liningLost, part)))
                * Deviations.factorAt(deviations.pistonFactor, part);
    }

    /** Pressure left in a chamber's circuit with the pedal up, bar. */
    private double circuitResidualBar(int c) {
        if (state.section().open[c]) {
            return 0;
        }
        // A master that is backed off leaves nothing that presses on its piston; a piston stuck in its bore stays.
        double pressingN = state.section().masterLoose ? 0 : assist.restingN() - forces.springsN();
        double pushed =
                10 * Math.max(pressingN, deviations.stickingN - SPRING_SHARE * forces.springsN()) / plant.boreMm2;
        double trapped = state.covered(c) && volumes.trappedMl(c) > 0
                ? travel.load(c).pressureFor(volumes.trappedMl(c), 120)
                : 0;
        double shut = deviations.reservoirShutBar * Math.min(1, state.heatC() / 40);
        return Math.max(0, Math.max(Math.max(pushed, trapped), shut));
    }

    /** Pressure left at one end with the pedal up, bar. */
    private double residualBar(int e) {
        int c = plant.endChamber[e];
        if (!state.section().reaches(c, plant.endPart[e]) || state.section().endOpen[e]) {
            return 0;
        }
        double bar = Math.max(circuitResidualBar(c), state.flaps().heldBar(e));
        if (!state.section().open[c]) {
            bar = Math.max(bar, deviations.unwantedResidualBar);
            if (plant.ends[e] instanceof DrumEnd && !deviations.residualMissing) {
                bar = Math.max(bar, plant.master.residualValveBar());
            }
        }
        double seconds = ChamberLoad.restriction(plant, e, deviations);
        return seconds == 0 ? bar : Math.max(bar, behindNarrowBar(c, seconds));
    }

    /**
     * What got through to an end while it was pressed and is still on its way back, bar: its pressure falls about with
     * the square of what it holds, whose last part only lifts pads and shoes off.
     */
    private double behindNarrowBar(int c, double seconds) {
        return state.releasedBar(c)
                * gotThroughIn(seconds)
                * Math.exp(-2 * state.controls().secondsSinceRelease() / seconds);
    }

    private double dragNm(int e) {
        End end = plant.ends[e];
        return vehicle.wheels().dragNm()
                + Deviations.at(deviations.mechanicalDragNm, plant.endPart[e])
                + end.dragNmPerBar() * Math.max(0, residualBar(e) - end.dragOnsetBar());
    }

    private double worstDragNm() {
        double worst = 0;
        for (int e = 0; e < plant.ends.length; e++) {
            worst = Math.max(worst, dragNm(e));
        }
        return worst;
    }

    /** Around the shaft there is no fork. */
    private double soundForkMm() {
        boolean fork = plant.layout.all(Slave.class).stream().anyMatch(slave -> !slave.concentric());
        return fork ? vehicle.lost().forkMm() : 0;
    }

    private double soundWheelC(int e) {
        return plant.ends[e].rear()
                ? vehicle.wheels().rearC()
                : vehicle.wheels().frontC();
    }

    private double screwMl(int e) {
        int c = plant.endChamber[e];
        double pumpedMm = vehicle.person().bleedStroke() * plant.input.travelToStopMm();
        double rodMm = plant.input.rodTravelMm(pumpedMm) / deviations.ratioFactor
                - play.lostMotionMm(state.section(), assist.lashMm());
        double ml = Math.max(0, Math.min(plant.strokeLimitMm[c], rodMm)) * plant.boreMm2 / 1000;
        return ml
                / (1 + ChamberLoad.restriction(plant, e, deviations) / FLOW_HALVED_SECONDS)
                * (1 - MOST_NOT_REFILLED * state.holes().notRefilledShare(c, state.section()) * (1 - refilledShare()));
    }

    /** How readily a pedal draws in past the cup, as a share. */
    private double refilledShare() {
        double drawnInMl = vehicle.letGo().drawnInMl();
        return drawnInMl / (drawnInMl + HALF_REFILLED_ML);
    }

    /** Through an assist nothing ties the pedal to a piston that hangs: it comes back, and the brake stays on. */
    private double returnSeconds() {
        return vehicle.surroundings().inputReturnSeconds()
                + deviations.bindingSeconds
                + (plant.assist == null ? deviations.stickingSeconds : 0)
                + deviations.slowLineSeconds
                + (deviations.returnShare > 0 ? 0.7 * deviations.returnSeconds : 0)
                + (deviations.stuckN > 0 ? 0.3 : 0);
    }

    private boolean lampLit() {
        return deviations.lampWrong
                || (vehicle.surroundings().pressureLampSwitch()
                        ? Math.max(circuitResidualBar(0), circuitResidualBar(1)) > LAMP_SWITCH_BAR
                        : restingRodMm() > 1);
    }

    private double restingRodMm() {
        return (state.section().pedalLifted ? 0 : deviations.preLoadMm[Rod.PEDAL_STOP.ordinal()])
                + (deviations.bindingSeconds > 1 ? 3 : 0)
                + (plant.assist == null && deviations.stickingN > forces.springsN() ? 3 : 0);
    }

    private double slaveStrokeMm() {
        for (int e = 0; e < plant.ends.length; e++) {
            if (plant.ends[e] instanceof Slave slave) {
                return slave.strokeAt(lineBar(e)) * gotThroughShare(e);
            }
        }
        return 0;
    }

    private double releaseMarginMm() {
        for (End end : plant.ends) {
            if (end instanceof Slave slave) {
                return (slaveStrokeMm() - deviations.forkWearMm) / slave.forkRatio()
                        - slave.releaseTravelMm() * vehicle.lost().releaseNeed()
                        - deviations.extraReleaseMm;
            }
        }
        return 0;
    }

    private double freesAtMm() {
        for (End end : plant.ends) {
            if (end instanceof Slave slave) {
                return (slave.releaseTravelMm() * vehicle.lost().releaseNeed() + deviations.extraReleaseMm)
                                * slave.forkRatio()
                        + deviations.forkWearMm;
            }
        }
        return 0;
    }

    private double levelShortMl() {
        double roomMl = plant.layout.reservoir().minToMaxMl();
        if (deviations.reservoirToTheBrim) {
            return -1.6 * roomMl;
        }
        double lostMl = DAYS_SINCE_FULL * (outsideLossMlPerDay(null) + deviations.hiddenWeepMl);
        return deviations.fluidLowMl
                + lostMl
                - KEPT_SHARE * roomMl
                - (deviations.fluidLowMl > 0 ? -KEPT_SHARE * roomMl : 0);
    }

    /** Flow past lips that are worn, or over bore that is pitted so that its area has changed, mL/min. */
    private double lipWear(boolean pitted) {
        if (pitted != pitted()) {
            return 0;
        }
        double mlPerMin = 0;
        for (int i = 0; i < deviations.byPasses.size(); i++) {
            mlPerMin += deviations.byPasses.get(i).mlPerMinAt20Bar();
        }
        return mlPerMin;
    }

    private double boreMm() {
        return plant.master.boreMm() * Math.sqrt(deviations.boreFactor);
    }

    private boolean pitted() {
        return deviations.boreFactor > 1 && deviations.boreFactor < PITTED_BELOW;
    }

    private double holeClean() {
        double slowest = Math.max(deviations.holeDrainSeconds[0], deviations.holeDrainSeconds[1]);
        return 1 / (1 + slowest / HOLE_HALVED_SECONDS);
    }

    private double outsideLossMlPerDay(@Nullable Class<? extends Component> at) {
        double ml = 0;
        for (OutwardLeak leak : deviations.outward) {
            if (at == null || at.isInstance(plant.parts[plant.number(leak.componentId())])) {
                ml += leak.mlPerMinAt20Bar() * PRESSED_MINUTES_PER_DAY * (leak.opensAtBar() > 20 ? 0.5 : 1);
            }
        }
        return ml;
    }

    private double pipeSeconds() {
        double seconds = 0;
        for (int part = 0; part < deviations.restrictionSeconds.length; part++) {
            seconds += plant.parts[part] instanceof Component.Pipe ? deviations.restrictionSeconds[part] : 0;
        }
        return seconds;
    }

    private double airInMl(Class<? extends Component> where) {
        double ml = 0;
        for (double[] chamber : deviations.airMl) {
            for (int part = 0; part < chamber.length; part++) {
                ml += where.isInstance(plant.parts[part]) ? chamber[part] : 0;
            }
        }
        return ml;
    }

    private double airMl(boolean front) {
        double ml = 0;
        for (int e = 0; e < plant.ends.length; e++) {
            boolean rear = plant.ends[e].rear();
            double reached = Deviations.at(deviations.screwBelow, plant.endPart[e]) == 0 ? 1 : ABOVE_SCREW_REACHED;
            if (front != rear) {
                ml += reached * Deviations.at(deviations.airMl[plant.endChamber[e]], plant.endPart[e]);
            }
        }
        return ml;
    }

    private double loopAirMl() {
        double ml = 0;
        for (int i = 0; i < plant.parts.length; i++) {
            if (plant.parts[i] instanceof Component.Pipe pipe && pipe.highLoop()) {
                ml += Deviations.at(deviations.airMl[0], i);
            }
        }
        return ml;
    }

    /** Largest deviation of a piston's area: against its twin across the axle, or the list where it has none. */
    private double mismatch(boolean twins) {
        double most = 0;
        for (End end : plant.ends) {
            double against = twins ? plant.layout.across(end).map(this::sizeOf).orElse(1.0) : 1;
            most = Math.max(most, Math.abs(sizeOf(end) / against - 1));
        }
        return most;
    }

    private double sizeOf(End end) {
        return Deviations.factorAt(deviations.pistonFactor, plant.number(end.id()));
    }
}
