package overturn.catalogue;

import static overturn.procedure.ObservationTable.normalised;
import static overturn.procedure.ObservationTable.ramp;
import static overturn.procedure.ObservationTable.seen;

import java.util.ArrayList;
import java.util.List;
import overturn.circuit.Assist.VacuumAssist;
import overturn.circuit.CutSet;
import overturn.circuit.Isolation;
import overturn.circuit.Layout;
import overturn.measurement.ReadingSpec;
import overturn.procedure.PressForces;
import overturn.procedure.Procedure;
import overturn.procedure.Procedure.RigKind;
import overturn.procedure.Step;
import overturn.procedure.VehicleNeeds;
import overturn.protocol.Act.Hold;
import overturn.protocol.Act.Mark;
import overturn.protocol.Act.Press;
import overturn.protocol.Act.Recut;
import overturn.protocol.Act.Release;
import overturn.protocol.Act.Sample;
import overturn.protocol.Act.Stand;
import overturn.protocol.Act.StartEngine;
import overturn.protocol.Act.StopEngine;
import overturn.protocol.Protocol;
import overturn.protocol.Sensed;
import overturn.suspect.SuspectCatalogue;

/** Tests of the assist; none where there is none. Tables are estimates argued beside them. */
final class AssistProcedures {

    /** An hour, s; definition. */
    private static final double HOUR_SECONDS = 3600;
    /** Five minutes, s; definition. */
    private static final double FIVE_MINUTES_SECONDS = 300;

    private final Layout layout;
    private final PressForces forces;

    AssistProcedures(Layout layout, PressForces forces) {
        this.layout = layout;
        this.forces = forces;
    }

    List<Procedure> all() {
        if (layout.assist().isEmpty()) {
            return List.of();
        }
        List<Procedure> all = new ArrayList<>(List.of(
                holdRunning(), assistDrop(), holdAndStop(), reserveStrokes(), reserveAfterWait(), outputRodMeasured()));
        if (layout.assist().get() instanceof VacuumAssist) {
            all.addAll(List.of(
                    vacuumTee(),
                    recovery(),
                    assistHiss(),
                    checkValveBlown(),
                    supplyHoseFelt(),
                    hosePinched(),
                    assistCompared()));
        } else {
            all.addAll(List.of(pumpGauge(), steeringFluidLook(), steeringFluidFoam(), returnCaught()));
        }
        return all;
    }

    private Procedure holdRunning() {
        return TestDraft.of(
                        "hold-running",
                        Protocol.whole()
                                .then(new StartEngine())
                                .hold(forces.runningN(), Sensed.TRAVEL_MM, SeatProcedures.HOLD_SECONDS))
                .reads(Figures.hold(SeatProcedures.HOLD_SECONDS).with(Figures.WITH_ENGINE))
                .rig(RigKind.FOOT_AND_TAPE)
                .observes(SuspectCatalogue.NOTHING_WRONG)
                .steps(
                        Step.of("start").caution("running-engine"),
                        Step.of("tape"),
                        Step.of("hold").timed(60).reads(SeatProcedures.HOLD_FIGURES),
                        Step.of("release"));
    }

    private Procedure assistDrop() {
        return TestDraft.of(
                        "assist-drop",
                        Protocol.whole()
                                .then(
                                        new Press(forces.runningN()),
                                        new Hold(2),
                                        new Mark(),
                                        new StartEngine(),
                                        new Hold(3),
                                        new Sample(Sensed.SINK_MM)))
                .reads(Figures.sink("drop").with(Figures.ASSIST_STEP))
                .minutes(2)
                .rig(RigKind.FOOT_AND_TAPE)
                .steps(
                        Step.of("spend"),
                        Step.of("press"),
                        Step.of("start").caution("running-engine").reads("drop"));
    }

    private Procedure holdAndStop() {
        return TestDraft.of(
                        "hold-and-stop",
                        Protocol.whole()
                                .then(
                                        new StartEngine(),
                                        new Release(20),
                                        new Press(forces.runningN()),
                                        new Hold(5),
                                        new StopEngine(),
                                        new Mark(),
                                        new Hold(30),
                                        new Sample(Sensed.SINK_MM)))
                .reads(Figures.sink("moved").with(Figures.ASSIST_STEP))
                .minutes(2)
                .rig(RigKind.FOOT_AND_TAPE)
                .steps(
                        Step.of("run").caution("running-engine"),
                        Step.of("press"),
                        Step.of("stop").timed(30).reads("moved"));
    }

    private Protocol.Script charged(double waitSeconds) {
        return Protocol.whole().then(new StartEngine(), new Release(30), new StopEngine(), new Stand(waitSeconds));
    }

    private Procedure reserveStrokes() {
        Protocol.Script script = charged(1);
        List<String> figures = List.of("stroke-1", "stroke-2", "stroke-3", "stroke-4");
        figures.forEach(f ->
                script.then(new Press(forces.runningN()), new Hold(1), new Sample(Sensed.TRAVEL_MM), new Release(2)));
        return TestDraft.of("reserve-strokes", script)
                .reads(new ReadingSpec.Series(
                                figures.stream().map(Figures::travel).toList(), Figures.DATUM_SD_MM)
                        .with(Figures.RESERVE))
                .minutes(3)
                .rig(RigKind.FOOT_AND_TAPE)
                .observes("accumulator-lost")
                .steps(
                        Step.of("run").caution("running-engine"),
                        Step.of("stop"),
                        Step.of("strokes").reads(figures.toArray(String[]::new)));
    }

    private Procedure reserveAfterWait() {
        double wait = layout.assist().get() instanceof VacuumAssist ? FIVE_MINUTES_SECONDS : HOUR_SECONDS;
        Protocol.Script script = charged(wait)
                .then(new Press(forces.runningN()), new Hold(1), new Sample(Sensed.TRAVEL_MM), new Release(2));
        return TestDraft.of("reserve-after-wait", script)
                .reads(Figures.onOneTape(Figures.travel("stroke-1")).with(Figures.RESERVE))
                .minutes(8)
                .rig(RigKind.FOOT_AND_TAPE)
                .steps(
                        Step.of("run").caution("running-engine"),
                        Step.of("wait").timed((int) Math.min(wait, FIVE_MINUTES_SECONDS)),
                        Step.of("press").reads("stroke-1"));
    }

    /** With the hose shut behind it the check valve holds nothing back: what empties the reserve now is the assist. */
    private Procedure hosePinched() {
        Protocol.Script script = Protocol.whole()
                .then(
                        new StartEngine(),
                        new Release(30),
                        new Recut(CutSet.by(Isolation.HOSE_PINCHED)),
                        new StopEngine(),
                        new Stand(FIVE_MINUTES_SECONDS),
                        new Press(forces.runningN()),
                        new Hold(1),
                        new Sample(Sensed.TRAVEL_MM),
                        new Release(2));
        return TestDraft.of("reserve-hose-pinched", script)
                .reads(Figures.onOneTape(Figures.travel("stroke-1")).with(Figures.RESERVE))
                .isolates()
                .needs(VehicleNeeds.BONNET)
                .minutes(9)
                .rig(RigKind.CLAMPS)
                .steps(
                        Step.of("run").caution("running-engine"),
                        Step.of("pinch").caution("clamps").fits("hose-pinched"),
                        Step.of("wait").timed((int) FIVE_MINUTES_SECONDS),
                        Step.of("press").reads("stroke-1"));
    }

    private Procedure outputRodMeasured() {
        return TestDraft.sensing("output-rod-measured", new Sample(Sensed.OUTPUT_ROD_GAP_MM))
                .reads(Figures.gap("gap"))
                .minutes(16)
                .needs(VehicleNeeds.BONNET)
                .rig(RigKind.RULE)
                .observes("output-rod-too-long", "output-rod-too-short", "wrong-assist")
                .steps(
                        Step.of("spend"),
                        Step.of("off").caution("nobody-at-pedal"),
                        Step.of("depth"),
                        Step.of("rod").reads("gap"));
    }

    private Procedure vacuumTee() {
        return TestDraft.of(
                        "vacuum-tee",
                        Protocol.whole().then(new StartEngine(), new Release(20), new Sample(Sensed.SUPPLY)))
                .reads(new ReadingSpec.Series(List.of(Figures.depression("idle")), 1))
                .minutes(6)
                .needs(VehicleNeeds.BONNET)
                .rig(RigKind.VACUUM_GAUGE)
                .observes("low-assist-supply")
                .steps(
                        Step.of("tee").fits("vacuum-tee"),
                        Step.of("idle").caution("running-engine").timed(30).reads("idle"));
    }

    private Procedure recovery() {
        Protocol.Script script = Protocol.whole().then(new StartEngine(), new Release(30));
        for (int stroke = 0; stroke < 3; stroke++) {
            script.then(new Press(forces.runningN()), new Release(0.4));
        }
        script.then(new Sample(Sensed.RESERVE), new Release(3), new Sample(Sensed.RESERVE));
        return TestDraft.of("vacuum-recovery", script)
                .reads(new ReadingSpec.Series(
                                List.of(Figures.depression("at-once"), Figures.depression("after-three")), 1)
                        .with(Figures.VACUUM_IN_TIME))
                .minutes(3)
                .needs(VehicleNeeds.BONNET)
                .rig(RigKind.VACUUM_GAUGE)
                .steps(
                        Step.of("tee").fits("vacuum-tee"),
                        Step.of("run").caution("running-engine"),
                        Step.of("strokes").reads("at-once"),
                        Step.of("wait").timed(3).reads("after-three"));
    }

    /**
     * A hiss at rest that does not change is seal or shell; one that comes with the foot is the diaphragm; soap finds
     * the joint.
     */
    private Procedure assistHiss() {
        return TestDraft.sensing(
                        "assist-hiss",
                        new Sample(Sensed.HISS_FREE),
                        new Sample(Sensed.HISS_PRESSED),
                        new Sample(Sensed.HISS_AT_JOINT))
                .sees(List.of("none", "free", "pressed", "at-joint"), leak -> {
                    double free = 0.01 + 0.95 * seen(leak[0], 0.05);
                    double pressed = 0.01 + 0.95 * seen(leak[1], 0.05);
                    double joint = 0.005 + 0.9 * seen(leak[2], 0.06);
                    return normalised(
                            Math.max(0.01, 1 - Math.max(free, Math.max(pressed, joint))), free, pressed, joint);
                })
                .minutes(3)
                .needs(VehicleNeeds.BONNET)
                .observes("diaphragm-torn", "assist-leaking-at-rest", "assist-joint-leaking")
                .steps(Step.of("listen").caution("running-engine"), Step.of("press"), Step.of("soap"));
    }

    private Procedure checkValveBlown() {
        return TestDraft.sensing("check-valve-blown", new Sample(Sensed.CHECK_VALVE))
                .sees(
                        List.of("one-way", "both-ways", "shut"),
                        valve -> valve[0] == 0
                                ? new double[] {0.98, 0.015, 0.005}
                                : valve[0] == 1 ? new double[] {0.06, 0.93, 0.01} : new double[] {0.01, 0.01, 0.98})
                .minutes(3)
                .needs(VehicleNeeds.BONNET)
                .observes("check-valve-leaking", "check-valve-stuck-shut")
                .steps(Step.of("pull"), Step.of("blow"), Step.of("back"));
    }

    /** Squeezed and bent along its length: a collapsed inner shows as a soft place, a crack as a split. */
    private Procedure supplyHoseFelt() {
        return TestDraft.sensing(
                        "supply-hose-felt", new Sample(Sensed.SUPPLY_HOSE_LEAK), new Sample(Sensed.SUPPLY_HOSE_SLOW))
                .sees(List.of("sound", "collapses", "cracked-or-off"), hose -> {
                    double collapses = 0.01 + 0.85 * ramp(hose[1], 1, 5);
                    double cracked = 0.01 + 0.9 * seen(hose[0], 0.06);
                    return normalised(Math.max(0.02, 1 - Math.max(collapses, cracked)), collapses, cracked);
                })
                .minutes(3)
                .needs(VehicleNeeds.BONNET)
                .observes("supply-hose-leaking", "supply-hose-collapsed")
                .steps(Step.of("feel"), Step.of("suck").caution("running-engine"));
    }

    private Procedure assistCompared() {
        return TestDraft.sensing("assist-compared", new Sample(Sensed.WRONG_ASSIST))
                .sees(
                        List.of("as-listed", "another"),
                        wrong -> wrong[0] == 0 ? new double[] {0.98, 0.02} : new double[] {0.01, 0.99})
                .minutes(4)
                .needs(VehicleNeeds.BONNET)
                .observes("wrong-assist")
                .steps(Step.of("read"), Step.of("compare"));
    }

    private Procedure pumpGauge() {
        return TestDraft.of(
                        "pump-gauge",
                        Protocol.whole().then(new StartEngine(), new Release(20), new Sample(Sensed.SUPPLY)))
                .reads(new ReadingSpec.Series(List.of(Figures.gauge("stalled")), 1))
                .minutes(14)
                .needs(VehicleNeeds.BONNET)
                .rig(RigKind.PRESSURE_GAUGE)
                .observes("low-pump-flow")
                .steps(
                        Step.of("spend"),
                        Step.of("tee").caution("pressure").fits("pressure-gauge"),
                        Step.of("stall").caution("running-engine").reads("stalled"));
    }

    private Procedure steeringFluidLook() {
        return TestDraft.sensing(
                        "steering-fluid-look",
                        new Sample(Sensed.ASSIST_LOSS_ML_PER_DAY),
                        new Sample(Sensed.FOOTWELL_LOSS_ML_PER_DAY))
                .sees(List.of("dry", "wet-outside", "wet-in-footwell"), lost -> {
                    double footwell = 0.005 + 0.93 * seen(lost[1], 1);
                    double outside = 0.02 + 0.9 * seen(lost[0] - lost[1], 1);
                    return normalised(Math.max(0.02, 1 - Math.max(footwell, outside)), outside, footwell);
                })
                .minutes(5)
                .needs(VehicleNeeds.BONNET)
                .observes("assist-input-seal-leaking", "assist-line-leaking")
                .first()
                .steps(Step.of("footwell"), Step.of("lines"));
    }

    private Procedure steeringFluidFoam() {
        return TestDraft.sensing("steering-fluid-foam", new Sample(Sensed.ASSIST_AIR_MM))
                .sees(List.of("clear", "foam"), air -> {
                    double foam = 0.03 + 0.9 * ramp(air[0], 0.3, 1.5);
                    return new double[] {1 - foam, foam};
                })
                .minutes(2)
                .needs(VehicleNeeds.BONNET)
                .observes("air-in-assist")
                .steps(Step.of("run").caution("running-engine"), Step.of("look"));
    }

    private Procedure returnCaught() {
        return TestDraft.sensing("return-caught", new Sample(Sensed.RETURN_KEPT))
                .sees(List.of("runs-free", "runs-slow"), kept -> {
                    double slow = 0.03 + 0.9 * ramp(kept[0], 0.02, 0.15);
                    return new double[] {1 - slow, slow};
                })
                .minutes(12)
                .needs(VehicleNeeds.BONNET)
                .observes("return-restricted")
                .steps(Step.of("off").caution("running-engine"), Step.of("catch"));
    }
}
