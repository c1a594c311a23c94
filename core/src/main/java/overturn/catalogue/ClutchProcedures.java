package overturn.catalogue;

import static overturn.procedure.ObservationTable.normalised;
import static overturn.procedure.ObservationTable.ramp;
import static overturn.procedure.ObservationTable.seen;

import java.util.ArrayList;
import java.util.List;
import overturn.circuit.Component.Pipe;
import overturn.circuit.Component.QuickConnector;
import overturn.circuit.CutSet;
import overturn.circuit.End.Slave;
import overturn.circuit.Isolation;
import overturn.circuit.Joint;
import overturn.circuit.Layout;
import overturn.procedure.PressForces;
import overturn.procedure.Procedure;
import overturn.procedure.Procedure.RigKind;
import overturn.procedure.Step;
import overturn.procedure.VehicleNeeds;
import overturn.procedure.VehicleNeeds.Opened;
import overturn.protocol.Act.Heat;
import overturn.protocol.Act.Hold;
import overturn.protocol.Act.Press;
import overturn.protocol.Act.PressToStop;
import overturn.protocol.Act.Recut;
import overturn.protocol.Act.Release;
import overturn.protocol.Act.Sample;
import overturn.protocol.Protocol;
import overturn.protocol.Sensed;

/** Tests of a clutch circuit; none where there is no slave. */
final class ClutchProcedures {

    /** Time in which fluid that was trapped has run back once its way is free, s; estimate. */
    private static final int RUNS_BACK_SECONDS = 20;

    private final Layout layout;
    private final PressForces forces;

    ClutchProcedures(Layout layout, PressForces forces) {
        this.layout = layout;
        this.forces = forces;
    }

    List<Procedure> all() {
        if (layout.all(Slave.class).isEmpty()) {
            return List.of();
        }
        List<Procedure> all = new ArrayList<>(List.of(
                slaveStroke(), heldInGear(), freesAt(), slaveScrew(), bleedFlow(), pressureLeft(), halfTurnBack()));
        if (!layout.all(Slave.class).get(0).concentric()) {
            all.add(forkWatched());
        }
        if (layout.all(Slave.class).get(0).concentric()) {
            all.add(housingDrain());
        }
        if (layout.all(Pipe.class).stream().anyMatch(Pipe::highLoop)) {
            all.add(loopLifted());
        }
        layout.joints().stream()
                .filter(j -> layout.component(j.to()) instanceof QuickConnector)
                .findFirst()
                .ifPresent(j -> all.add(linePlug("connector-plug", j)));
        return all;
    }

    private Procedure slaveStroke() {
        return TestDraft.of(
                        "slave-stroke",
                        Protocol.whole()
                                .then(
                                        new PressToStop(),
                                        new Hold(1),
                                        new Sample(Sensed.SLAVE_STROKE_MM),
                                        new Hold(10),
                                        new Sample(Sensed.SLAVE_STROKE_MM)))
                .reads(Figures.stroke("at-once"), Figures.stroke("after-ten"))
                .minutes(6)
                .needs(VehicleNeeds.RAISED)
                .rig(RigKind.RULE)
                .steps(
                        Step.of("rule"),
                        Step.of("press")
                                .caution("clutch-in-neutral")
                                .reads("at-once")
                                .withHelperOrAlone(),
                        Step.of("stay").timed(10).reads("after-ten"));
    }

    /** In gear on the stand: how it behaves the moment it is pressed, and after ten seconds. */
    private Procedure heldInGear() {
        return TestDraft.of(
                        "held-in-gear",
                        Protocol.whole()
                                .then(
                                        new PressToStop(),
                                        new Hold(1),
                                        new Sample(Sensed.RELEASE_MARGIN_MM),
                                        new Hold(10),
                                        new Sample(Sensed.RELEASE_MARGIN_MM)))
                .sees(List.of("stays-free", "creeps-after-a-while", "never-free"), margin -> {
                    double never = 0.01 + 0.97 * ramp(-margin[0], -0.4, 0.4);
                    double later = 0.02 + 0.9 * ramp(-margin[1], -0.4, 0.4) * (1 - never);
                    return normalised(Math.max(0.02, 1 - never - later), later, never);
                })
                .minutes(4)
                .needs(VehicleNeeds.RAISED)
                .steps(
                        Step.of("gear").caution("clutch-in-gear"),
                        Step.of("hold").timed(10));
    }

    private Procedure freesAt() {
        return TestDraft.sensing("frees-at", new Sample(Sensed.FREES_AT_MM))
                .reads(Figures.stroke("frees"))
                .minutes(10)
                .needs(VehicleNeeds.RAISED)
                .rig(RigKind.RULE)
                .observes("clutch-mechanical")
                .steps(
                        Step.of("gear").caution("clutch-in-gear").withHelper(),
                        Step.of("press-slowly").reads("frees"));
    }

    private Procedure forkWatched() {
        return TestDraft.sensing("fork-watched", new Sample(Sensed.FORK_LOSS_MM))
                .reads(Figures.movement("play"))
                .minutes(5)
                .needs(VehicleNeeds.RAISED)
                .rig(RigKind.RULE)
                .observes("fork-worn")
                .steps(Step.of("push-by-hand").reads("play"));
    }

    private Procedure slaveScrew() {
        return TestDraft.sensing("slave-screw", new Sample(Sensed.FRONT_AIR_ML))
                .sees(List.of("clear", "few-bubbles", "spits-air"), air -> {
                    double spit = 0.01 + 0.85 * seen(air[0], 0.2);
                    double few = 0.06 + 0.1 * seen(air[0], 0.1);
                    return normalised(1 - Math.min(0.97, spit + few), few, spit);
                })
                .minutes(6)
                .needs(VehicleNeeds.RAISED)
                .rig(RigKind.BLEED_HOSE)
                .observes("air-in-slave")
                .steps(
                        Step.of("hose-on").caution("screw"),
                        Step.of("press").withHelperOrAlone(),
                        Step.of("crack").caution("pressure"),
                        Step.of("close"));
    }

    /** A clutch that cannot let its fluid back slips when warm: pressure is left at the slave with nothing pressed. */
    private Procedure pressureLeft() {
        String slave = layout.all(Slave.class).get(0).id();
        Protocol.Script script = pressedWarm().then(new Release(5), Sample.at(Sensed.RESIDUAL_BAR, slave));
        return TestDraft.of("pressure-left", script)
                .sees(List.of("no-spurt", "spurts"), left -> {
                    double spurts = 0.03 + 0.92 * ramp(left[0], 0.3, 2);
                    return new double[] {1 - spurts, spurts};
                })
                .minutes(8)
                .needs(VehicleNeeds.RAISED)
                .rig(RigKind.BLEED_HOSE)
                .observes("hole-clogged")
                .steps(Step.of("make"), Step.of("crack").caution("screw"));
    }

    /**
     * The cheap remedy tried: pressure that is left at the slave while the hole stays covered is gone once rod or screw
     * give the piston half a turn.
     */
    private Procedure halfTurnBack() {
        String slave = layout.all(Slave.class).get(0).id();
        Protocol.Script script = pressedWarm();
        script.then(
                new Release(5),
                Sample.at(Sensed.RESIDUAL_BAR, slave),
                new Recut(CutSet.by(Isolation.ROD_TURNED_BACK)),
                new Release(RUNS_BACK_SECONDS),
                Sample.at(Sensed.RESIDUAL_BAR, slave));
        return TestDraft.of("half-turn-clutch", script)
                .sees(List.of("free-before", "freed", "still-pushed"), left -> {
                    double before = ramp(left[0], 0.3, 2);
                    double after = ramp(left[1], 0.3, 2);
                    return normalised(0.04 + (1 - before), 0.02 + before * (1 - after), 0.03 + before * after);
                })
                .minutes(8)
                .isolates()
                .needs(VehicleNeeds.RAISED)
                .steps(
                        Step.of("make"),
                        Step.of("feel"),
                        Step.of("turn").caution("nobody-at-pedal").fits("rod-turned-back"),
                        Step.of("feel-again").timed(RUNS_BACK_SECONDS));
    }

    private Protocol.Script pressedWarm() {
        Protocol.Script script = Protocol.whole();
        for (int press = 0; press < 5; press++) {
            script.then(new Press(forces.mediumN()), new Hold(1), new Release(1));
        }
        return script.then(new Heat(40));
    }

    private Procedure bleedFlow() {
        String slave = layout.all(Slave.class).get(0).id();
        return TestDraft.of("bleed-flow", Protocol.whole().then(Sample.at(Sensed.SCREW_ML, slave)))
                .reads(Figures.caught(slave))
                .minutes(6)
                .needs(VehicleNeeds.RAISED)
                .rig(RigKind.BLEED_HOSE)
                .observes("hose-restricted", "pipe-kinked")
                .steps(
                        Step.of("hose-on").caution("screw"),
                        Step.of("stroke").at(slave).reads(slave));
    }

    private Procedure housingDrain() {
        return TestDraft.sensing("housing-drain", new Sample(Sensed.END_LOSS_ML_PER_DAY))
                .sees(List.of("dry", "oil-only", "clutch-fluid"), lost -> {
                    double wet = 0.005 + 0.93 * seen(lost[0], 0.5);
                    return normalised(0.85 * (1 - wet), 0.15 * (1 - wet), wet);
                })
                .minutes(5)
                .needs(VehicleNeeds.RAISED)
                .observes("slave-seal-weeping")
                .steps(Step.of("paper"));
    }

    private Procedure loopLifted() {
        return TestDraft.sensing("loop-lifted", new Sample(Sensed.LOOP_AIR_ML))
                .sees(List.of("nothing-rises", "bubbles-rise"), air -> {
                    double rise = 0.02 + 0.9 * seen(air[0], 0.15);
                    return new double[] {1 - rise, rise};
                })
                .minutes(8)
                .needs(VehicleNeeds.BONNET)
                .observes("air-in-high-loop")
                .steps(Step.of("unclip"), Step.of("tilt"), Step.of("watch"));
    }

    private Procedure linePlug(String id, Joint joint) {
        return TestDraft.of(
                        id,
                        Protocol.cut(CutSet.of(joint.id()))
                                .hold(forces.mediumN(), Sensed.TRAVEL_MM, 5, 15, 30, 60)
                                .then(new Release(1)))
                .reads(Figures.hold(5, 15, 30, 60))
                .isolates()
                .minutes(9)
                .needs(VehicleNeeds.openedAt(Opened.CLUTCH_LINE))
                .rig(RigKind.LINE_PLUG)
                .steps(
                        Step.of("part").caution("open-circuit").fits("connector-plug"),
                        Step.of("prove-dry").caution("pressure"),
                        Step.of("hold").timed(60).reads("at-5", "at-15", "at-30", "at-60"));
    }
}
