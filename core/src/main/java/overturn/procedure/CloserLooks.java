package overturn.procedure;

import java.util.ArrayList;
import java.util.List;
import overturn.circuit.Assist.HydraulicAssist;
import overturn.circuit.Assist.VacuumAssist;
import overturn.circuit.Component.Hose;
import overturn.circuit.Component.QuickConnector;
import overturn.circuit.End;
import overturn.circuit.End.DrumEnd;
import overturn.circuit.End.Slave;
import overturn.circuit.Input;
import overturn.circuit.Layout;
import overturn.protocol.Act.Sample;
import overturn.protocol.Sensed;

/**
 * The second, closer look at one suspect, when a first one pointed at it: one part wiped, papered, measured or moved by
 * itself. Each sees one quantity and little else, so its table is a single curve; how much it takes to be seen by half
 * is an estimate.
 */
final class CloserLooks {

    /** Stroke over which the ratio is measured, mm; chosen. */
    private static final double RATIO_STROKE_MM = 40;
    /** A hose that takes four times its share more than a sound one is felt by half; estimate. */
    private static final double SWELLING_FELT = 4;

    private final Layout layout;
    private final boolean brake;
    private final boolean drums;
    private final VehicleNeeds raised;
    private final List<Procedure> all = new ArrayList<>();
    private final CloserLook looks = new CloserLook(all);

    CloserLooks(Layout layout) {
        this.layout = layout;
        this.brake = !layout.family().clutch();
        this.drums = !layout.all(DrumEnd.class).isEmpty();
        this.raised = layout.family().lever() ? VehicleNeeds.SEAT : VehicleNeeds.RAISED;
    }

    List<Procedure> all() {
        double wornMm = brake ? 0 : 0.06 * layout.all(Slave.class).get(0).releaseTravelMm();
        all.addAll(new EndLooks(layout).all());
        looks.add(
                brake || !concentric(),
                "ends-papered",
                layout.family().lever() ? VehicleNeeds.SEAT : brake ? VehicleNeeds.WHEELS_OFF : VehicleNeeds.RAISED,
                7,
                List.of("dry", "wet"),
                small(0.15),
                List.of("end-seal-weeping", "slave-seal-weeping"),
                steps(Step.of("wipe"), Step.of("pump").caution("pressure")),
                Sensed.END_LOSS_ML_PER_DAY);
        looks.add(
                !layout.all(Hose.class).isEmpty(),
                "hoses-felt",
                raised,
                3,
                List.of("stay-hard", "swell"),
                SWELLING_FELT,
                List.of("swelling-hoses"),
                steps(Step.of("grip").withHelper(), Step.of("compare")),
                Sensed.HOSE_SWELLING);
        looks.add(
                !layout.all(Hose.class).isEmpty(),
                "hoses-papered",
                raised,
                5,
                List.of("dry", "wet"),
                small(0.15),
                List.of("hose-weeping"),
                steps(Step.of("wipe"), Step.of("pump").caution("pressure")),
                Sensed.HOSE_LOSS_ML_PER_DAY);
        looks.add(
                true,
                "joints-papered",
                raised,
                7,
                List.of("dry", "wet"),
                small(0.15),
                List.of("weeping-joint"),
                steps(Step.of("wipe"), Step.of("pump").caution("pressure")),
                Sensed.OUTSIDE_LOSS_ML_PER_DAY,
                Sensed.END_LOSS_ML_PER_DAY,
                Sensed.HOSE_LOSS_ML_PER_DAY,
                Sensed.RESERVOIR_LOSS_ML_PER_DAY,
                Sensed.CONNECTOR_LOSS_ML_PER_DAY);
        looks.add(
                !layout.all(QuickConnector.class).isEmpty(),
                "connector-papered",
                raised,
                4,
                List.of("dry", "wet"),
                small(0.15),
                List.of("connector-weeping"),
                steps(Step.of("wipe"), Step.of("pump").caution("pressure")),
                Sensed.CONNECTOR_LOSS_ML_PER_DAY);
        looks.add(
                true,
                "reservoir-papered",
                VehicleNeeds.BONNET,
                3,
                List.of("dry", "wet"),
                small(0.25),
                List.of("reservoir-weeping"),
                steps(Step.of("wipe").caution("fluid"), Step.of("pump")),
                Sensed.RESERVOIR_LOSS_ML_PER_DAY);
        looks.add(
                true,
                "rear-face-papered",
                layout.assist().isPresent() ? VehicleNeeds.BONNET : VehicleNeeds.SEAT,
                9,
                List.of("dry", "wet"),
                small(0.12),
                List.of("rear-seal-weeping"),
                steps(Step.of("off"), Step.of("paper")),
                Sensed.HIDDEN_LOSS_ML_PER_DAY);
        looks.add(
                layout.assist().filter(VacuumAssist.class::isInstance).isPresent(),
                "test-hose-fitted",
                VehicleNeeds.BONNET,
                5,
                List.of("same", "better"),
                0.02,
                List.of("supply-hose-leaking"),
                steps(Step.of("fit").caution("running-engine"), Step.of("gauge")),
                Sensed.SUPPLY_HOSE_LEAK);
        looks.add(
                layout.assist().filter(VacuumAssist.class::isInstance).isPresent(),
                "joint-soaped",
                VehicleNeeds.BONNET,
                4,
                List.of("no-bubbles", "bubbles"),
                0.02,
                List.of("assist-joint-leaking"),
                steps(Step.of("soap").caution("running-engine"), Step.of("slacken")),
                Sensed.HISS_AT_JOINT);
        looks.add(
                layout.assist().filter(HydraulicAssist.class::isInstance).isPresent(),
                "assist-lines-papered",
                VehicleNeeds.BONNET,
                6,
                List.of("dry", "wet"),
                small(0.4),
                List.of("assist-line-leaking"),
                steps(Step.of("wipe"), Step.of("lock").caution("running-engine")),
                Sensed.ASSIST_LOSS_ML_PER_DAY,
                Sensed.FOOTWELL_LOSS_ML_PER_DAY);
        looks.add(
                layout.assist().filter(HydraulicAssist.class::isInstance).isPresent(),
                "footwell-papered",
                VehicleNeeds.SEAT,
                4,
                List.of("dry", "wet"),
                small(0.4),
                List.of("assist-input-seal-leaking"),
                steps(Step.of("wipe"), Step.of("press").caution("running-engine")),
                Sensed.FOOTWELL_LOSS_ML_PER_DAY);
        looks.add(
                !layout.family().lever(),
                "pipes-followed",
                raised,
                6,
                List.of("sound", "kinked"),
                0.3,
                List.of("pipe-kinked"),
                steps(Step.of("follow")),
                Sensed.PIPE_KINKED_SECONDS);
        looks.add(
                true,
                "master-ports-cracked",
                VehicleNeeds.BONNET,
                6,
                List.of("clear", "spits-air"),
                small(0.2),
                List.of("air-in-master"),
                steps(
                        Step.of("press").caution("pressure").withHelperOrAlone(),
                        Step.of("crack").caution("fluid")),
                Sensed.MASTER_AIR_ML);
        looks.add(
                layout.modulator().isPresent(),
                "modulator-ports-cracked",
                VehicleNeeds.BONNET,
                9,
                List.of("clear", "spits-air"),
                small(0.2),
                List.of("air-in-modulator"),
                steps(
                        Step.of("press").caution("pressure").withHelperOrAlone(),
                        Step.of("crack").caution("fluid")),
                Sensed.MODULATOR_AIR_ML);
        looks.add(
                brake,
                "front-screws-tapped",
                raised,
                12,
                List.of("clear", "spits-air"),
                small(0.15),
                List.of("air-in-front-end"),
                steps(Step.of("tap"), Step.of("bleed").caution("screw")),
                Sensed.FRONT_AIR_ML);
        looks.add(
                brake && layout.ends().stream().anyMatch(End::rear),
                "rear-screws-tapped",
                raised,
                12,
                List.of("clear", "spits-air"),
                small(0.15),
                List.of("air-in-rear-end"),
                steps(Step.of("tap"), Step.of("bleed").caution("screw")),
                Sensed.REAR_AIR_ML);
        looks.add(
                !brake,
                "slave-tapped",
                raised,
                9,
                List.of("clear", "spits-air"),
                small(0.08),
                List.of("air-in-slave"),
                steps(Step.of("tap"), Step.of("bleed").caution("screw")),
                Sensed.FRONT_AIR_ML);
        looks.add(
                !brake && concentric(),
                "bearing-watched",
                raised,
                8,
                List.of("follows", "lags"),
                0.4,
                List.of("fork-worn"),
                steps(Step.of("scope"), Step.of("press").caution("clutch-in-gear")),
                Sensed.FORK_LOSS_MM);
        looks.add(
                !brake,
                "clutch-looked-into",
                raised,
                28,
                List.of("sound", "worn"),
                wornMm,
                List.of("clutch-mechanical"),
                steps(Step.of("open"), Step.of("look")),
                Sensed.CLUTCH_WORN_MM);
        shown(
                "gravity-flow",
                raised,
                6,
                List.of("runs", "does-not-run"),
                Sensed.HOLE_OPEN,
                -0.6,
                -0.25,
                List.of("hole-clogged"),
                steps(Step.of("hose-on").caution("screw"), Step.of("wait").timed(60)));
        shown(
                "fluid-in-water",
                VehicleNeeds.BONNET,
                3,
                List.of("as-it-should", "wrong-kind"),
                Sensed.WRONG_FLUID,
                0.2,
                0.8,
                List.of("fluid-wrong"),
                steps(Step.of("draw").caution("fluid"), Step.of("drop")));
        looks.add(
                layout.input() instanceof Input.Pedal,
                "pedal-stop-looked-at",
                VehicleNeeds.SEAT,
                3,
                List.of("as-it-was", "holds-down"),
                0.8,
                List.of("pedal-stop-wrong"),
                steps(Step.of("mark"), Step.of("back-off").fits("stop-backed-off")),
                Sensed.PEDAL_STOP_MM);
        looks.add(
                layout.input() instanceof Input.Lever,
                "piston-pushed-by-hand",
                VehicleNeeds.BONNET,
                8,
                List.of("springs-back", "hangs"),
                0.3 * layout.master().springsN(),
                List.of("master-piston-sticking"),
                steps(Step.of("lever-off"), Step.of("push").caution("pressure")),
                Sensed.PISTON_STICKS_N);
        looks.add(
                brake && drums && !layout.family().lever(),
                "residual-valve-poured",
                VehicleNeeds.openedAt(VehicleNeeds.Opened.MASTER_PORTS),
                16,
                List.of("runs-through", "holds"),
                0.25,
                List.of("residual-valve-unwanted", "residual-valve-missing"),
                steps(Step.of("pipe-off").caution("open-circuit").fits("pipe-off-master"), Step.of("pour")),
                Sensed.RESIDUAL_VALVE_BAR);
        double nominalBoreMm = layout.master().boreMm();
        compared(
                "master-compared",
                VehicleNeeds.BONNET,
                5,
                Sensed.BORE_MM,
                nominalBoreMm,
                List.of("bore-too-large", "bore-too-small"));
        double soundRodMm = RATIO_STROKE_MM / layout.input().ratioAtRest();
        if (layout.input() instanceof Input.Pedal) {
            compared("pedal-compared", VehicleNeeds.SEAT, 6, Sensed.ROD_MM_PER_40, soundRodMm, List.of("wrong-ratio"));
        }
        return List.copyOf(all);
    }

    /**
     * Adds a look that sees nothing up to one amount and is sure from another on; negative limits where less is worse.
     */
    private void shown(
            String id,
            VehicleNeeds needs,
            double minutes,
            List<String> options,
            Sensed quantity,
            double from,
            double to,
            List<String> observes,
            List<Step> steps) {
        all.add(TestDraft.sensing(id, new Sample(quantity))
                .sees(options, found -> {
                    double yes = CloserLook.FALSELY_SEEN
                            + (CloserLook.MOST_SEEN - CloserLook.FALSELY_SEEN)
                                    * ObservationTable.ramp(from < 0 ? -found[0] : found[0], from, to);
                    return new double[] {1 - yes, yes};
                })
                .needs(needs)
                .minutes(minutes)
                .observes(observes.toArray(String[]::new))
                .steps(steps));
    }

    /** Numbers and lengths against the list: differs from a twentieth on. What is as listed is not the wrong part. */
    private void compared(
            String id, VehicleNeeds needs, double minutes, Sensed quantity, double listed, List<String> observes) {
        all.add(TestDraft.sensing(id, new Sample(quantity))
                .sees(List.of("as-listed", "another"), found -> {
                    double another = ObservationTable.another(found[0], listed);
                    return new double[] {1 - another, another};
                })
                .needs(needs)
                .minutes(minutes)
                .observes(observes.toArray(String[]::new))
                .steps(Step.of("read"), Step.of("compare")));
    }

    /** A lever's or clutch's small circuit shows smaller things. */
    private double small(double half) {
        return layout.family().lever() || layout.family().clutch() ? 0.5 * half : half;
    }

    private boolean concentric() {
        return layout.all(Slave.class).stream().anyMatch(Slave::concentric);
    }

    private static List<Step> steps(Step... steps) {
        return List.of(steps);
    }
}
