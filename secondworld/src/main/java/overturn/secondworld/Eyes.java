package overturn.secondworld;

import java.util.Map;
import java.util.random.RandomGenerator;
import overturn.circuit.Chamber;
import overturn.circuit.Component;
import overturn.circuit.Component.Hose;
import overturn.circuit.Component.Modulator;
import overturn.circuit.Component.Pipe;
import overturn.circuit.Component.QuickConnector;
import overturn.circuit.Component.Reservoir;
import overturn.circuit.End;
import overturn.circuit.End.Slave;
import overturn.circuit.Isolation;
import overturn.protocol.Sensed;
import overturn.secondworld.Circuitry.Branch;
import overturn.suspect.Fault.AssistLeakAt;
import overturn.suspect.Fault.Binds;
import overturn.suspect.Fault.OutwardLeak;
import overturn.suspect.Fault.Rod;

/** What an eye, a tape, a gauge or a hand finds on a vehicle of the second world. */
final class Eyes {

    private static final double PRESSED_MINUTES_PER_DAY = 12;
    private static final double REACTION_SECONDS = 0.3;

    private final Machine machine;
    private final Nature nature;
    private final RandomGenerator random;

    Eyes(Machine machine) {
        this(machine, machine.random);
    }

    /** @param random what differs from one look to the next */
    Eyes(Machine machine, RandomGenerator random) {
        this.machine = machine;
        this.nature = machine.nature;
        this.random = random;
    }

    /** One quantity, at a component where it has a place. */
    double see(Sensed quantity, String place) {
        return switch (quantity) {
            case TRAVEL_MM -> machine.travelMm;
            case SINK_MM -> machine.travelMm - machine.markedTravelMm;
            case FREE_PLAY_MM -> freePlayMm();
            case ROCK_MM ->
                0.2
                        + 0.3 * nature.freePlay
                        + nature.rockShare * machine.input.ratioAtRest() * machine.troubles.lost(Rod.LEVER_BUSH)
                        + 0.6 * machine.troubles.lost(Rod.PEDAL_ROD);
            case RETURN_SECONDS -> returnSeconds();
            case OUTPUT_ROD_GAP_MM ->
                0.25
                        + 0.15 * nature.freePlay
                        + machine.troubles.lost(Rod.OUTPUT_ROD)
                        - machine.troubles.pushedIn(Rod.OUTPUT_ROD)
                        - machine.troubles.proudMm
                        + 0.2 * random.nextGaussian();
            case ROD_MM_PER_40 ->
                40 / (machine.input.ratioAt(20) * machine.troubles.ratio) * (1 + 0.025 * random.nextGaussian());
            case PEDAL_STOP_MM -> machine.troubles.pushedIn(Rod.PEDAL_STOP);
            case LAMP_LIT -> machine.troubles.lampWrong || machine.heldOffRestMm() > 1.2 ? 1 : 0;
            case PRIMARY_LEVEL_MM -> levelMm(0);
            case SECONDARY_LEVEL_MM -> levelMm(1);
            case LEVEL_SHORT_ML -> levelShortMl();
            case PRESSURE_BAR -> Math.max(machine.bar[0], machine.bar[1]);
            case STROKE_USED -> strokeUsed();
            case END_BAR -> endBar(place);
            case RESIDUAL_BAR -> residual(place);
            case BRAKE_SHARE -> brakeShare(place);
            case WHEEL_DRAG_NM -> dragNm(place);
            case WORST_DRAG_NM -> worstDragNm();
            case WHEEL_C -> wheelC(place);
            case SCREW_ML -> screwMl(place);
            case SLAVE_STROKE_MM -> slaveMm();
            case RELEASE_MARGIN_MM -> marginMm();
            case SUPPLY -> machine.booster.supply();
            case RESERVE -> machine.booster.store();
            case HISS_FREE -> machine.troubles.leaks(AssistLeakAt.AT_REST);
            case HISS_PRESSED -> machine.troubles.leaks(AssistLeakAt.WHILE_PRESSED);
            case HISS_AT_JOINT -> machine.troubles.leaks(AssistLeakAt.MASTER_JOINT);
            case SUPPLY_HOSE_LEAK -> machine.troubles.leaks(AssistLeakAt.SUPPLY_HOSE);
            case SUPPLY_HOSE_SLOW -> machine.troubles.recoverySlower;
            case CHECK_VALVE ->
                machine.troubles.checkValveShut ? 2 : machine.troubles.leaks(AssistLeakAt.CHECK_VALVE) > 0 ? 1 : 0;
            case ASSIST_AIR_MM -> machine.troubles.assistAirMm;
            case RETURN_KEPT -> machine.troubles.returnShare;
            case MODULATOR_PULSE -> machine.circuit.has(Isolation.FUSE_OUT) ? 0 : machine.troubles.actingShare;
            case FORK_LOSS_MM -> 0.35 * nature.forkMm + machine.troubles.forkWearMm;
            case OUTSIDE_LOSS_ML_PER_DAY -> loss(Component.class);
            case RESERVOIR_LOSS_ML_PER_DAY -> loss(Reservoir.class);
            case END_LOSS_ML_PER_DAY -> loss(End.class);
            case HOSE_LOSS_ML_PER_DAY -> loss(Hose.class);
            case CONNECTOR_LOSS_ML_PER_DAY -> loss(QuickConnector.class);
            case HIDDEN_LOSS_ML_PER_DAY -> machine.troubles.hiddenMlPerDay * nature.lossFactor;
            case ASSIST_LOSS_ML_PER_DAY -> machine.troubles.assistLossMl * nature.lossFactor;
            case FOOTWELL_LOSS_ML_PER_DAY -> machine.troubles.footwellMl * nature.lossFactor;
            case FRONT_AIR_ML -> endAirMl(false);
            case REAR_AIR_ML -> endAirMl(true);
            case LOOP_AIR_ML -> loopAirMl();
            case MASTER_AIR_ML -> airIn(Component.Master.class);
            case MODULATOR_AIR_ML -> airIn(Modulator.class);
            case WATER_PERCENT -> Math.max(0.2, machine.troubles.waterPercent + 0.5 * random.nextGaussian());
            case WRONG_FLUID -> machine.troubles.wrongFluid ? 1 : 0;
            case WRONG_ASSIST -> machine.troubles.otherAssist == 1 ? 0 : 1;
            case HOLE_OPEN -> machine.coveredShare() > 0.9 ? 0 : holeClean() * (1 - machine.coveredShare());
            case HOLE_CLEAN -> holeClean();
            case LIP_WEAR -> lipWear(false);
            case BORE_PITTED -> lipWear(true);
            case PISTON_STICKS_N -> machine.troubles.pistonFrictionN;
            case BORE_MM -> machine.master.boreMm() * Math.sqrt(machine.troubles.boreFactor);
            case BORE_WIDER_MM ->
                machine.master.boreMm() * Math.sqrt(machine.troubles.boreFactor)
                        + (isPitted() ? Nature.between(random, 0.02, 0.22) : 0);
            case PORTS_CROSSED -> machine.troubles.crossed ? 1 : 0;
            case RESIDUAL_VALVE_BAR ->
                machine.troubles.residualMissing
                        ? 0
                        : machine.master.residualValveBar() + machine.troubles.unwantedResidualBar;
            case PUSHED_BACK_MM -> most(machine.troubles.pushedBackMm);
            case INPUT_BINDS_SECONDS -> machine.troubles.inputSlowSeconds;
            case FREES_AT_MM -> freesAtMm();
            case HOSE_SWELLING -> Math.max(0, most(machine.troubles.swelling) - 1);
            case PISTON_MISMATCH ->
                machine.layout.ends().stream()
                        .mapToDouble(end -> Math.abs(sizeOf(end) / sizeAcross(end) - 1))
                        .max()
                        .orElse(0);
            case PISTON_OFF_LIST ->
                machine.layout.ends().stream()
                        .mapToDouble(end -> Math.abs(sizeOf(end) - 1))
                        .max()
                        .orElse(0);
            case PISTON_BINDS_NM -> machine.troubles.binds(Binds.PISTON) + machine.troubles.binds(Binds.SEAL_GROOVE);
            case SLIDES_BIND_NM -> machine.troubles.binds(Binds.SLIDES);
            case PARKING_BINDS_NM -> machine.troubles.binds(Binds.PARKING_BRAKE);
            case SHOES_BIND_NM -> machine.troubles.binds(Binds.SHOES_TIGHT);
            case SCREWS_BELOW -> machine.troubles.screwsBelow.isEmpty() ? 0 : 1;
            case LINING_LOSS -> most(machine.troubles.liningLost);
            case PIPE_KINKED_SECONDS -> slowPipes();
            case VENT_SHUT_BAR -> machine.troubles.toTheBrim ? 0 : machine.troubles.shutBarWhenWarm;
            case CLUTCH_WORN_MM -> machine.troubles.extraReleaseMm;
            case LEFT_TO_STOP_MM -> machine.input.travelToStopMm() - machine.travelMm;
            case BRACKET_MM ->
                (nature.bulkheadMmPerKn + machine.troubles.flexMmPerKn)
                        * machine.footN
                        * machine.input.ratioAt(machine.travelMm)
                        / 1000;
        };
    }

    private static double most(Map<String, Double> values) {
        return values.values().stream().mapToDouble(v -> v).max().orElse(0);
    }

    private double freePlayMm() {
        double rodMm = machine.input.freePlayMm() * nature.freePlay / machine.input.ratioAtRest()
                - machine.pushedBeforeMm()
                + machine.troubles.lost(Rod.PEDAL_ROD)
                + 0.7 * machine.troubles.lost(Rod.LEVER_BUSH)
                + machine.troubles.lost(Rod.PEDAL_STOP)
                + machine.troubles.lost(Rod.REACH_SCREW)
                + 0.4 * machine.troubles.lost(Rod.OUTPUT_ROD);
        return Math.max(0, rodMm) * machine.input.ratioAtRest() / machine.troubles.ratio;
    }

    private double returnSeconds() {
        // Nothing ties the pedal to the piston through an assist: it comes back, and the brake stays on.
        double piston = machine.layout.assist().isPresent() ? 0 : machine.troubles.pistonSlowSeconds;
        double slow = machine.troubles.inputSlowSeconds
                + piston
                + 0.8 * machine.troubles.lineSlowSeconds
                + 0.25 * machine.coveredShare();
        return Math.max(0.1, nature.comesBackSeconds + slow + REACTION_SECONDS * 0.4 * random.nextGaussian());
    }

    private double levelMm(int compartment) {
        double ml = machine.compartmentMl[compartment] - machine.markedCompartmentMl[compartment];
        return 1000 * ml / (machine.layout.reservoir().levelAreaMm2() * nature.levels);
    }

    private double levelShortMl() {
        double marks = machine.layout.reservoir().minToMaxMl();
        if (machine.troubles.toTheBrim) {
            return -marks * (0.9 + 0.5 * nature.levels);
        }
        double lost = (loss(Component.class) + machine.troubles.hiddenMlPerDay * nature.lossFactor) * 9;
        double above = machine.troubles.lowMl > 0 ? 0 : marks * (0.35 + 0.5 * Math.min(1, nature.levels * 0.6));
        return lost + machine.troubles.lowMl - above;
    }

    private double strokeUsed() {
        double most = 0;
        for (Chamber chamber : machine.layout.chambers()) {
            most = Math.max(most, machine.usedShare(chamber));
        }
        return most;
    }

    private double endBar(String place) {
        Branch branch = machine.branch(place);
        Chamber chamber = machine.layout.chamberOf(place);
        if (!machine.circuit.reaches(chamber, place)) {
            return 0;
        }
        double late = machine.fluid().restrictionSeconds(branch);
        double p = machine.fluid().atEnd(branch, machine.bar[chamber.ordinal()]);
        return late > 0 ? p * (1 - Math.exp(-(0.5 + machine.heldSeconds) / late)) : p;
    }

    private double residual(String place) {
        Chamber chamber = machine.layout.chamberOf(place);
        return machine.circuit.reaches(chamber, place)
                ? machine.rest.residualBar(machine.branch(place), chamber)
                : trappedBehindCut(place);
    }

    /** Behind a plug only a flap of its own hose still holds. */
    private double trappedBehindCut(String place) {
        return machine.circuit.crackedEnds.contains(place) ? 0 : machine.rest.flapBar(machine.branch(place));
    }

    private double brakeShare(String place) {
        return Math.max(
                0,
                (1 - Math.min(1, machine.troubles.clampingLost.getOrDefault(place, 0.0)))
                        * (1 - Math.min(1, machine.troubles.liningLost.getOrDefault(place, 0.0)))
                        * machine.troubles.pistonFactor.getOrDefault(place, 1.0));
    }

    /** From a light rub to a locked wheel: linings, warmth and the hand that turns it. */
    private double dragNm(String place) {
        End end = (End) machine.layout.component(place);
        double over = Math.max(0, residual(place) - 0.8 * end.dragOnsetBar());
        double warm = machine.heatC > 30 ? nature.warmFactor : 1;
        double hydraulic = end.dragNmPerBar() * over * nature.dragFactor * (0.6 + 0.2 * warm);
        double mechanical = machine.troubles.dragNm.getOrDefault(place, 0.0) * (machine.heatC > 30 ? 1.15 : 1);
        double all = nature.wheelNm + hydraulic + mechanical;
        return Math.max(0.3, all * (1 + 0.12 * random.nextGaussian()));
    }

    private double worstDragNm() {
        double worst = 0;
        for (End end : machine.layout.ends()) {
            worst = end instanceof Slave ? worst : Math.max(worst, dragNm(end.id()));
        }
        return worst;
    }

    private double wheelC(String place) {
        End end = (End) machine.layout.component(place);
        double sound = end.rear() ? nature.rearC : nature.frontC;
        double side = Math.exp(0.05 * random.nextGaussian());
        return sound * side + 4.5 * Math.pow(Math.max(0, dragNm(place) - nature.wheelNm), 0.9);
    }

    /**
     * A person pumps as far as comfort goes; play, port and a slow line take their part. Where the hole is shut the
     * piston draws through the holes in its head instead, and comes back nearly full.
     */
    private double screwMl(String place) {
        double travel = machine.input.travelToStopMm() * nature.bleedStrokeShare;
        double rod = machine.input.rodTravelMm(travel) / machine.troubles.ratio - machine.beforeMm();
        Chamber chamber = machine.layout.chamberOf(place);
        double stroke =
                chamber == Chamber.PRIMARY ? machine.master.primaryStrokeMm() : machine.master.secondaryStrokeMm();
        double ml = Math.max(0, Math.min(rod, stroke)) * machine.areaMm2 / 1000;
        double slow = machine.fluid().restrictionSeconds(machine.branch(place));
        return ml * (slow > 0 ? 1 / (1 + slow / 1.2) : 1) * (1 - 0.1 * Math.min(1, machine.coveredShare()));
    }

    private double slaveMm() {
        for (Branch branch : machine.allBranches()) {
            if (branch.end() instanceof Slave slave) {
                double late = machine.fluid().restrictionSeconds(branch);
                double p = machine.bar[machine.layout.chamberOf(slave.id()).ordinal()];
                return machine.fluid().slaveStrokeMm(slave, p) * comeThrough(late);
            }
        }
        return 0;
    }

    /** Share of what the master gave that has come through a narrow line: its flow falls evenly as pressures meet. */
    private double comeThrough(double lateSeconds) {
        double left = lateSeconds > 0 ? Math.max(0, 1 - (0.5 + machine.heldSeconds) / (2 * lateSeconds)) : 0;
        return 1 - left * left;
    }

    private double marginMm() {
        Slave slave = machine.layout.all(Slave.class).get(0);
        double lost = slave.concentric() ? 0 : 0.35 * (nature.forkMm - 1.2);
        double bearing = (slaveMm() - lost - machine.troubles.forkWearMm) / slave.forkRatio();
        return bearing - slave.releaseTravelMm() * nature.releaseNeed - machine.troubles.extraReleaseMm;
    }

    private double freesAtMm() {
        Slave slave = machine.layout.all(Slave.class).get(0);
        return (slave.releaseTravelMm() * nature.releaseNeed + machine.troubles.extraReleaseMm) * slave.forkRatio()
                + machine.troubles.forkWearMm;
    }

    private double loss(Class<? extends Component> at) {
        double ml = 0;
        for (OutwardLeak leak : machine.troubles.leaks) {
            if (at.isInstance(machine.layout.component(leak.componentId()))) {
                ml += leak.mlPerMinAt20Bar()
                        * PRESSED_MINUTES_PER_DAY
                        * nature.lossFactor
                        * (leak.opensAtBar() > 20 ? 0.4 : 1);
            }
        }
        return ml;
    }

    private double endAirMl(boolean rear) {
        double ml = 0;
        for (End end : machine.layout.ends()) {
            double reached = machine.troubles.screwsBelow.contains(end.id()) ? 0.08 : 1;
            ml += end.rear() == rear ? reached * machine.troubles.air(end.id(), machine.layout.chamberOf(end.id())) : 0;
        }
        return ml;
    }

    private double airIn(Class<? extends Component> kind) {
        double ml = 0;
        for (Component part : machine.layout.components()) {
            if (kind.isInstance(part)) {
                ml += machine.troubles.air(part.id(), Chamber.PRIMARY)
                        + machine.troubles.air(part.id(), Chamber.SECONDARY);
            }
        }
        return ml;
    }

    private double loopAirMl() {
        double ml = 0;
        for (Pipe pipe : machine.layout.all(Pipe.class)) {
            ml += pipe.highLoop() ? machine.troubles.air(pipe.id(), Chamber.PRIMARY) : 0;
        }
        return ml;
    }

    private double holeClean() {
        double slowest = Math.max(machine.troubles.drainSeconds[0], machine.troubles.drainSeconds[1]);
        return 1 / (1 + slowest / 25);
    }

    private double lipWear(boolean pitted) {
        double flow = machine.troubles.byPasses.stream()
                .mapToDouble(b -> b.mlPerMinAt20Bar())
                .sum();
        return isPitted() == pitted ? flow : 0;
    }

    private boolean isPitted() {
        return machine.troubles.boreFactor > 1 && machine.troubles.boreFactor < 1.02;
    }

    private double sizeOf(End end) {
        return machine.troubles.pistonFactor.getOrDefault(end.id(), 1.0);
    }

    /** Size of the end across the axle; the list's where there is none. */
    private double sizeAcross(End one) {
        return machine.layout.across(one).map(this::sizeOf).orElse(1.0);
    }

    private double slowPipes() {
        double seconds = 0;
        for (Map.Entry<String, Double> slow : machine.troubles.slowSeconds.entrySet()) {
            seconds += machine.layout.component(slow.getKey()) instanceof Pipe ? slow.getValue() : 0;
        }
        return seconds;
    }
}
