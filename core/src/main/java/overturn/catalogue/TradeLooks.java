package overturn.catalogue;

import static overturn.procedure.ObservationTable.seen;

import java.util.ArrayList;
import java.util.List;
import overturn.circuit.Assist.VacuumAssist;
import overturn.circuit.End;
import overturn.circuit.Input;
import overturn.circuit.Layout;
import overturn.procedure.Needed;
import overturn.procedure.ObservationTable;
import overturn.procedure.PressForces;
import overturn.procedure.Procedure;
import overturn.procedure.Procedure.RigKind;
import overturn.procedure.Step;
import overturn.procedure.VehicleNeeds;
import overturn.procedure.VehicleNeeds.Opened;
import overturn.protocol.Act.Hold;
import overturn.protocol.Act.Press;
import overturn.protocol.Act.Sample;
import overturn.protocol.Act.StartEngine;
import overturn.protocol.Protocol;
import overturn.protocol.Sensed;

/** Looks of the trade that point at something without seeing it, and the bore as a figure. */
final class TradeLooks {

    /** Chance that something is seen that is not there; estimate. */
    private static final double FALSELY_SEEN = 0.006;
    /**
     * Vehicles that carry an old code though nothing is wrong, and what is added where the modulator acts; estimates.
     */
    private static final double OLD_CODES = 0.12;

    /** Chance that a valve that acts wrongly leaves a code; estimate. */
    private static final double CODES_OF_ACTING = 0.45;
    /** A lamp that burns at rest leaves a code of its switch so often; estimate. */
    private static final double CODES_OF_LAMP = 0.35;

    /** A clip or ring out of its place is behind a gap too large so often; estimate. */
    private static final double LOOSE_OF_GAP = 0.3;

    /** Gap beyond a sound one from which on a clip or ring may be out, mm at the rod; estimate. */
    private static final double GAP_MM = 1;
    /** Leaks that show under a little air on the reservoir, and the loss of which half do, mL per day; estimates. */
    private static final double WEPT_UNDER_AIR = 0.6;

    /** Loss at which half of all reservoirs look low, mL a day; estimate. */
    private static final double HALF_WEPT_ML_PER_DAY = 0.3;
    /** The same of a small reservoir, mL a day; estimate. */
    private static final double HALF_WEPT_SMALL_ML_PER_DAY = 0.15;

    /** Vacuum draws bubbles for more than a minute out of fluid alone, and out of air near the master; estimates. */
    private static final double BUBBLES_ANYWAY = 0.12;

    /** Chance that what rises is seen to rise; estimate. */
    private static final double MOST_RISING = 0.85;

    /** Air in the master that half see leave by its own screw, mL; estimates as for the ports. */
    private static final double HALF_SEEN_ML = 0.2;

    /** Share of the pressure below which an axle leaves no mark, and above which it does; estimates. */
    private static final double IDLE_SHARE = 0.08;

    /** Share of what the best end gives from which on an end counts as at work; estimate. */
    private static final double AT_WORK_SHARE = 0.4;
    /** A road hides it, or shows it where there is none, so often; estimate. */
    private static final double MISJUDGED_ON_ROAD = 0.04;

    private final Layout layout;
    private final PressForces forces;

    TradeLooks(Layout layout, PressForces forces) {
        this.layout = layout;
        this.forces = forces;
    }

    List<Procedure> all() {
        List<Procedure> all = new ArrayList<>(List.of(pressurised(), boreGauged(), boreForWear()));
        all.add(vacuumOnReservoir());
        if (layout.master().bleedScrew()) {
            all.add(masterScrew());
        }
        if (!layout.family().clutch()
                && layout.ends().stream().map(End::rear).distinct().count() == 2) {
            all.add(axlesOnRoad());
        }
        if (layout.modulator().isPresent()) {
            all.add(codesRead());
        }
        if (!layout.family().clutch()
                && layout.ends().stream().anyMatch(end -> layout.across(end).isPresent())) {
            all.add(pistonsAgainstList());
        }
        if (layout.input() instanceof Input.Pedal) {
            all.add(clipsFelt());
        }
        if (layout.assist().orElse(null) instanceof VacuumAssist vacuum) {
            all.add(supplyFelt(vacuum.supplyKpa()));
        }
        return all;
    }

    /** Both ends of an axle can be of one wrong size: only the maker's figure tells. */
    private static Procedure pistonsAgainstList() {
        return TestDraft.sensing("pistons-against-list", new Sample(Sensed.PISTON_OFF_LIST))
                .sees(List.of("as-listed", "another"), off -> {
                    double another = ObservationTable.another(1 + off[0], 1);
                    return new double[] {1 - another, another};
                })
                .needs(VehicleNeeds.WHEELS_OFF)
                .minutes(10)
                .with(Needed.RULE)
                .observes("axle-wrong-size", "wrong-piston")
                .steps(Step.of("wheel").caution("lining-dust"), Step.of("measure"), Step.of("list"));
    }

    /**
     * Clips and rings are felt on their hidden side: a rod that has left its clip, or a ring that has left its groove,
     * is one way in which a gap becomes too large.
     */
    private Procedure clipsFelt() {
        List<Sample> samples = new ArrayList<>(List.of(new Sample(Sensed.FREE_PLAY_MM)));
        boolean assisted = layout.assist().isPresent();
        if (assisted) {
            samples.add(new Sample(Sensed.OUTPUT_ROD_GAP_MM));
        }
        double ratio = layout.input().ratioAtRest();
        double soundMm = layout.input().freePlayMm() / ratio;
        List<Step> steps = new ArrayList<>(List.of(Step.of("pin"), Step.of("master-ring")));
        if (assisted) {
            steps.add(Step.of("assist-rod").caution("nobody-at-pedal"));
        }
        return TestDraft.sensing("clips-felt", samples.toArray(Sample[]::new))
                .sees(List.of("all-seated", "one-out"), found -> {
                    double gap = assisted ? Math.max(found[0] / ratio, found[1]) : found[0] / ratio;
                    double out = FALSELY_SEEN + LOOSE_OF_GAP * ObservationTable.ramp(gap - soundMm, GAP_MM, 2 * GAP_MM);
                    return new double[] {1 - out, out};
                })
                .needs(VehicleNeeds.BONNET)
                .minutes(4)
                .with(Needed.LAMP)
                .steps(steps);
    }

    /** A thumb on the hose: sure of hardly any vacuum, blind to a quarter less. */
    private static Procedure supplyFelt(double soundKpa) {
        return TestDraft.sensing("supply-felt", new Sample(Sensed.SUPPLY))
                .sees(List.of("pulls-hard", "pulls-weakly"), supply -> {
                    double lack = ObservationTable.ramp(1 - supply[0] / soundKpa, 0.25, 0.65);
                    double weakly = FALSELY_SEEN + (1 - 2 * FALSELY_SEEN) * lack;
                    return new double[] {1 - weakly, weakly};
                })
                .needs(VehicleNeeds.BONNET)
                .minutes(2)
                .steps(Step.of("hose-off").caution("running-engine"), Step.of("thumb"));
    }

    /**
     * A code says what the modulator once saw; it counts only by what it predicts. A weak wheel-speed sensor makes it
     * act at walking pace; one that comes often weighs more than one that came once, years ago perhaps.
     */
    private static Procedure codesRead() {
        return TestDraft.sensing("codes-read", new Sample(Sensed.MODULATOR_PULSE), new Sample(Sensed.LAMP_LIT))
                .sees(List.of("none", "sensor-often", "sensor-once", "switch", "valve-often", "other"), found -> {
                    double acts = CODES_OF_ACTING * ObservationTable.ramp(found[0], 0, 0.3);
                    double lamp = CODES_OF_LAMP * found[1];
                    return ObservationTable.normalised(
                            1 - OLD_CODES - acts,
                            0.15 * OLD_CODES + 0.6 * acts,
                            0.35 * OLD_CODES + 0.15 * acts,
                            0.1 * OLD_CODES + lamp,
                            0.05 * OLD_CODES + 0.2 * acts,
                            0.35 * OLD_CODES + 0.05 * acts);
                })
                .minutes(4)
                .with(Needed.CODE_READER)
                .steps(Step.of("plug-in"), Step.of("read"));
    }

    /**
     * A little air on the reservoir drives fluid out where it leaks outward; a leak that opens at pressure stays dry.
     */
    private Procedure pressurised() {
        boolean small = layout.family().lever() || layout.family().clutch();
        double half = small ? HALF_WEPT_SMALL_ML_PER_DAY : HALF_WEPT_ML_PER_DAY;
        return TestDraft.sensing("reservoir-pressurised", new Sample(Sensed.OUTSIDE_LOSS_ML_PER_DAY))
                .sees(List.of("dry", "wet"), loss -> {
                    double wet = FALSELY_SEEN + WEPT_UNDER_AIR * seen(loss[0], half);
                    return new double[] {1 - wet, wet};
                })
                .needs(VehicleNeeds.BONNET)
                .minutes(9)
                .steps(Step.of("cap").caution("face-shield"), Step.of("look"));
    }

    /**
     * Vacuum on the reservoir makes air near the master rise by itself; a fluid gives off a few bubbles anyway, and air
     * in an end stays where it is.
     */
    private Procedure vacuumOnReservoir() {
        double half = layout.family().lever() || layout.family().clutch() ? 0.1 : 0.4;
        return TestDraft.sensing(
                        "vacuum-on-reservoir", new Sample(Sensed.MASTER_AIR_ML), new Sample(Sensed.LOOP_AIR_ML))
                .sees(List.of("stop-soon", "keep-coming"), air -> {
                    double keep = BUBBLES_ANYWAY + (MOST_RISING - BUBBLES_ANYWAY) * seen(air[0] + air[1], half);
                    return new double[] {1 - keep, keep};
                })
                .needs(VehicleNeeds.BONNET)
                .minutes(8)
                .steps(
                        Step.of("cap").caution("fluid"),
                        Step.of("draw"),
                        Step.of("watch").timed(60));
    }

    /** Air in the master leaves by its own screw, with no pipe loosened. */
    private Procedure masterScrew() {
        boolean small = layout.family().lever() || layout.family().clutch();
        return TestDraft.sensing("master-screw", new Sample(Sensed.MASTER_AIR_ML))
                .sees(List.of("clear", "spits-air"), air -> {
                    double spits =
                            FALSELY_SEEN + (1 - 3 * FALSELY_SEEN) * seen(air[0], HALF_SEEN_ML * (small ? 0.3 : 1));
                    return new double[] {1 - spits, spits};
                })
                .needs(VehicleNeeds.BONNET)
                .minutes(3)
                .observes("air-in-master")
                .steps(
                        Step.of("hose-on").caution("screw"),
                        Step.of("crack").caution("pressure").withHelperOrAlone());
    }

    /** Which axle leaves its marks on a loose road when the brake is pressed once, firmly. */
    private Procedure axlesOnRoad() {
        List<End> ends = layout.ends();
        Protocol.Script script = Protocol.whole();
        if (layout.assist().isPresent()) {
            script.then(new StartEngine());
        }
        script.then(new Press(forces.mediumN()), new Hold(1));
        for (End end : ends) {
            script.then(Sample.at(Sensed.END_BAR, end.id()), Sample.at(Sensed.BRAKE_SHARE, end.id()));
        }
        return TestDraft.of("axles-on-road", script)
                .sees(List.of("both", "front-idle", "rear-idle"), felt -> {
                    double front = idle(ends, felt, false);
                    double rear = idle(ends, felt, true);
                    return ObservationTable.normalised(
                            MISJUDGED_ON_ROAD + (1 - front) * (1 - rear),
                            MISJUDGED_ON_ROAD + front,
                            MISJUDGED_ON_ROAD + rear);
                })
                .minutes(9)
                .steps(Step.of("drive").caution("quiet-road"), Step.of("marks"));
    }

    /**
     * How surely an axle takes no part, 0 to 1: what its ends give together, against the highest pressure at any end.
     */
    private static double idle(List<End> ends, double[] felt, boolean rear) {
        double most = 0;
        double given = 0;
        int count = 0;
        for (int e = 0; e < ends.size(); e++) {
            most = Math.max(most, felt[2 * e]);
            if (ends.get(e).rear() == rear) {
                given += felt[2 * e] * felt[2 * e + 1];
                count++;
            }
        }
        return most <= 0 ? 0 : 1 - ObservationTable.ramp(given / (count * most), IDLE_SHARE, AT_WORK_SHARE);
    }

    /** A bore that is worn is wider one way than across, where the piston works. */
    private static Procedure boreForWear() {
        return TestDraft.sensing("bore-for-wear", new Sample(Sensed.BORE_WIDER_MM), new Sample(Sensed.BORE_MM))
                .reads(Figures.boreBothWays("wider", "narrower"))
                .needs(VehicleNeeds.openedAt(Opened.MASTER_PORTS))
                .minutes(34)
                .rig(RigKind.BORE_GAUGE)
                .observes("bore-pitted", "bore-too-large", "bore-too-small")
                .steps(
                        Step.of("strip").caution("open-circuit").fits("master-out"),
                        Step.of("measure").reads("wider", "narrower"));
    }

    private static Procedure boreGauged() {
        return TestDraft.sensing("bore-gauged", new Sample(Sensed.BORE_MM))
                .reads(Figures.bore("bore"))
                .needs(VehicleNeeds.openedAt(Opened.MASTER_PORTS))
                .minutes(32)
                .rig(RigKind.BORE_GAUGE)
                .observes("bore-too-large", "bore-too-small")
                .steps(
                        Step.of("strip").caution("open-circuit").fits("master-out"),
                        Step.of("measure").reads("bore"));
    }
}
