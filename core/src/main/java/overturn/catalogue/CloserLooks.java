package overturn.catalogue;

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
import overturn.procedure.ObservationTable;
import overturn.procedure.Procedure;
import overturn.procedure.Step;
import overturn.procedure.VehicleNeeds;
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

    /** Air in the closed chambers of a modulator does not come to its outlets; estimate. */
    private static final double MODULATOR_REACHED = 0.75;

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
        all.addAll(new EndLooks(layout).all());
        whatWeeps();
        assist();
        whereAirIs();
        if (!brake) {
            clutch();
        }
        fluid();
        inputAndMaster();
        return List.copyOf(all);
    }

    private void whatWeeps() {
        looks.at("ends-papered")
                .where(brake || !concentric())
                .needs(
                        layout.family().lever()
                                ? VehicleNeeds.SEAT
                                : brake ? VehicleNeeds.WHEELS_OFF : VehicleNeeds.RAISED)
                .minutes(7)
                .tells("dry", "wet")
                .halfSeeIt(small(0.15))
                .of("end-seal-weeping", "slave-seal-weeping")
                .senses(Sensed.END_LOSS_ML_PER_DAY)
                .steps(Step.of("wipe"), Step.of("pump").caution("pressure"));
        looks.at("hoses-felt")
                .where(!layout.all(Hose.class).isEmpty())
                .needs(raised)
                .minutes(3)
                .tells("stay-hard", "swell")
                .halfSeeIt(SWELLING_FELT)
                .of("swelling-hoses")
                .senses(Sensed.HOSE_SWELLING)
                .steps(Step.of("grip").withHelper(), Step.of("compare"));
        looks.at("hoses-papered")
                .where(!layout.all(Hose.class).isEmpty())
                .needs(raised)
                .minutes(5)
                .tells("dry", "wet")
                .halfSeeIt(small(0.15))
                .of("hose-weeping")
                .senses(Sensed.HOSE_LOSS_ML_PER_DAY)
                .steps(Step.of("wipe"), Step.of("pump").caution("pressure"));
        looks.at("joints-papered")
                .needs(raised)
                .minutes(7)
                .tells("dry", "wet")
                .halfSeeIt(small(0.15))
                .of("weeping-joint")
                .senses(
                        Sensed.OUTSIDE_LOSS_ML_PER_DAY,
                        Sensed.END_LOSS_ML_PER_DAY,
                        Sensed.HOSE_LOSS_ML_PER_DAY,
                        Sensed.RESERVOIR_LOSS_ML_PER_DAY,
                        Sensed.CONNECTOR_LOSS_ML_PER_DAY)
                .steps(Step.of("wipe"), Step.of("pump").caution("pressure"));
        looks.at("connector-papered")
                .where(!layout.all(QuickConnector.class).isEmpty())
                .needs(raised)
                .minutes(4)
                .tells("dry", "wet")
                .halfSeeIt(small(0.15))
                .of("connector-weeping")
                .senses(Sensed.CONNECTOR_LOSS_ML_PER_DAY)
                .steps(Step.of("wipe"), Step.of("pump").caution("pressure"));
        looks.at("reservoir-papered")
                .needs(VehicleNeeds.BONNET)
                .minutes(3)
                .tells("dry", "wet")
                .halfSeeIt(small(0.25))
                .of("reservoir-weeping")
                .senses(Sensed.RESERVOIR_LOSS_ML_PER_DAY)
                .steps(Step.of("wipe").caution("fluid"), Step.of("pump"));
        looks.at("vent-looked-at")
                .needs(VehicleNeeds.BONNET)
                .minutes(2)
                .tells("open", "shut")
                .halfSeeIt(0.4)
                .of("reservoir-shut")
                .senses(Sensed.VENT_SHUT_BAR)
                .steps(Step.of("wipe").caution("fluid"), Step.of("look"));
        looks.at("rear-face-papered")
                .needs(layout.assist().isPresent() ? VehicleNeeds.BONNET : VehicleNeeds.SEAT)
                .minutes(9)
                .tells("dry", "wet")
                .halfSeeIt(small(0.12))
                .of("rear-seal-weeping")
                .senses(Sensed.HIDDEN_LOSS_ML_PER_DAY)
                .steps(Step.of("off"), Step.of("paper"));
    }

    private void assist() {
        looks.at("test-hose-fitted")
                .where(layout.assist().filter(VacuumAssist.class::isInstance).isPresent())
                .needs(VehicleNeeds.BONNET)
                .minutes(5)
                .tells("same", "better")
                .halfSeeIt(0.02)
                .of("supply-hose-leaking")
                .senses(Sensed.SUPPLY_HOSE_LEAK)
                .steps(Step.of("fit").caution("running-engine"), Step.of("gauge"));
        looks.at("joint-soaped")
                .where(layout.assist().filter(VacuumAssist.class::isInstance).isPresent())
                .needs(VehicleNeeds.BONNET)
                .minutes(4)
                .tells("no-bubbles", "bubbles")
                .halfSeeIt(0.02)
                .of("assist-joint-leaking")
                .senses(Sensed.HISS_AT_JOINT)
                .steps(Step.of("soap").caution("running-engine"), Step.of("slacken"));
        looks.at("assist-lines-papered")
                .where(layout.assist().filter(HydraulicAssist.class::isInstance).isPresent())
                .needs(VehicleNeeds.BONNET)
                .minutes(6)
                .tells("dry", "wet")
                .halfSeeIt(small(0.4))
                .of("assist-line-leaking")
                .senses(Sensed.ASSIST_LOSS_ML_PER_DAY, Sensed.FOOTWELL_LOSS_ML_PER_DAY)
                .steps(Step.of("wipe"), Step.of("lock").caution("running-engine"));
        looks.at("footwell-papered")
                .where(layout.assist().filter(HydraulicAssist.class::isInstance).isPresent())
                .minutes(4)
                .tells("dry", "wet")
                .halfSeeIt(small(0.4))
                .of("assist-input-seal-leaking")
                .senses(Sensed.FOOTWELL_LOSS_ML_PER_DAY)
                .steps(Step.of("wipe"), Step.of("press").caution("running-engine"));
    }

    private void whereAirIs() {
        looks.at("pipes-followed")
                .where(!layout.family().lever())
                .needs(raised)
                .minutes(6)
                .tells("sound", "kinked")
                .halfSeeIt(0.3)
                .of("pipe-kinked")
                .senses(Sensed.PIPE_KINKED_SECONDS)
                .steps(Step.of("follow"));
        looks.at("master-ports-cracked")
                .needs(VehicleNeeds.BONNET)
                .minutes(6)
                .tells("clear", "spits-air")
                .halfSeeIt(small(0.2))
                .of("air-in-master")
                .senses(Sensed.MASTER_AIR_ML)
                .steps(
                        Step.of("press").caution("pressure").withHelperOrAlone(),
                        Step.of("crack").caution("fluid"));
        looks.at("modulator-ports-cracked")
                .where(layout.modulator().isPresent())
                .needs(VehicleNeeds.BONNET)
                .minutes(9)
                .tells("clear", "spits-air")
                .halfSeeIt(small(0.2))
                .seenByAtMost(MODULATOR_REACHED)
                .of("air-in-modulator")
                .senses(Sensed.MODULATOR_AIR_ML)
                .steps(
                        Step.of("press").caution("pressure").withHelperOrAlone(),
                        Step.of("crack").caution("fluid"));
        looks.at("front-screws-tapped")
                .where(brake)
                .needs(raised)
                .minutes(12)
                .tells("clear", "spits-air")
                .halfSeeIt(small(0.15))
                .of("air-in-front-end")
                .senses(Sensed.FRONT_AIR_ML)
                .steps(Step.of("tap"), Step.of("bleed").caution("screw"));
        looks.at("rear-screws-tapped")
                .where(brake && layout.ends().stream().anyMatch(End::rear))
                .needs(raised)
                .minutes(12)
                .tells("clear", "spits-air")
                .halfSeeIt(small(0.15))
                .of("air-in-rear-end")
                .senses(Sensed.REAR_AIR_ML)
                .steps(Step.of("tap"), Step.of("bleed").caution("screw"));
    }

    private void clutch() {
        double wornMm = 0.06 * layout.all(Slave.class).get(0).releaseTravelMm();
        looks.at("slave-tapped")
                .needs(raised)
                .minutes(9)
                .tells("clear", "spits-air")
                .halfSeeIt(small(0.08))
                .of("air-in-slave")
                .senses(Sensed.FRONT_AIR_ML)
                .steps(Step.of("tap"), Step.of("bleed").caution("screw"));
        looks.at("bearing-watched")
                .where(concentric())
                .needs(raised)
                .minutes(8)
                .tells("follows", "lags")
                .halfSeeIt(0.4)
                .of("fork-worn")
                .senses(Sensed.FORK_LOSS_MM)
                .steps(Step.of("scope"), Step.of("press").caution("clutch-in-gear"));
        looks.at("clutch-looked-into")
                .needs(raised)
                .minutes(28)
                .tells("sound", "worn")
                .halfSeeIt(wornMm)
                .of("clutch-mechanical")
                .senses(Sensed.CLUTCH_WORN_MM)
                .steps(Step.of("open"), Step.of("look"));
    }

    private void fluid() {
        looks.at("gravity-flow")
                .needs(raised)
                .minutes(6)
                .tells("runs", "does-not-run")
                .noneSeeUpToAllFrom(-0.6, -0.25)
                .of("hole-clogged")
                .senses(Sensed.HOLE_OPEN)
                .steps(Step.of("hose-on").caution("screw"), Step.of("wait").timed(60));
        looks.at("fluid-in-water")
                .needs(VehicleNeeds.BONNET)
                .minutes(3)
                .tells("as-it-should", "wrong-kind")
                .noneSeeUpToAllFrom(0.2, 0.8)
                .of("fluid-wrong")
                .senses(Sensed.WRONG_FLUID)
                .steps(Step.of("draw").caution("fluid"), Step.of("drop"));
    }

    private void inputAndMaster() {
        looks.at("pedal-stop-looked-at")
                .where(layout.input() instanceof Input.Pedal)
                .minutes(3)
                .tells("as-it-was", "holds-down")
                .halfSeeIt(0.8)
                .of("pedal-stop-wrong")
                .senses(Sensed.PEDAL_STOP_MM)
                .steps(Step.of("mark"), Step.of("back-off").fits("stop-backed-off"));
        looks.at("piston-pushed-by-hand")
                .where(layout.input() instanceof Input.Lever)
                .needs(VehicleNeeds.BONNET)
                .minutes(8)
                .tells("springs-back", "hangs")
                .halfSeeIt(0.3 * layout.master().springsN())
                .of("master-piston-sticking")
                .senses(Sensed.PISTON_STICKS_N)
                .steps(Step.of("lever-off"), Step.of("push").caution("pressure"));
        looks.at("residual-valve-poured")
                .where(brake && drums && !layout.family().lever())
                .needs(VehicleNeeds.openedAt(VehicleNeeds.Opened.MASTER_PORTS))
                .minutes(16)
                .tells("runs-through", "holds")
                .halfSeeIt(0.25)
                .of("residual-valve-unwanted", "residual-valve-missing")
                .senses(Sensed.RESIDUAL_VALVE_BAR)
                .steps(Step.of("pipe-off").caution("open-circuit").fits("pipe-off-master"), Step.of("pour"));
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
}
