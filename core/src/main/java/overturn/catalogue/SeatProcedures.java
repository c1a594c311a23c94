package overturn.catalogue;

import java.util.ArrayList;
import java.util.List;
import overturn.circuit.CutSet;
import overturn.circuit.End.DrumEnd;
import overturn.circuit.Input.Lever;
import overturn.circuit.Isolation;
import overturn.circuit.Layout;
import overturn.measurement.ReadingSpec;
import overturn.procedure.ObservationTable;
import overturn.procedure.PressForces;
import overturn.procedure.Procedure;
import overturn.procedure.Procedure.RigKind;
import overturn.procedure.Step;
import overturn.procedure.VehicleNeeds;
import overturn.protocol.Act.Heat;
import overturn.protocol.Act.Hold;
import overturn.protocol.Act.Mark;
import overturn.protocol.Act.ParkingBrake;
import overturn.protocol.Act.Press;
import overturn.protocol.Act.Recut;
import overturn.protocol.Act.Release;
import overturn.protocol.Act.Sample;
import overturn.protocol.Act.Stand;
import overturn.protocol.Protocol;
import overturn.protocol.Sensed;
import overturn.suspect.SuspectCatalogue;

/** Tests done with a foot or hand, a tape and a scale; nothing is opened. */
final class SeatProcedures {

    /** When a held pedal is read, s; docs/method.md. */
    static final int[] HOLD_SECONDS = {5, 15, 30, 60};

    static final String[] HOLD_FIGURES = {"at-5", "at-15", "at-30", "at-60"};
    /** A night, s; chosen. */
    private static final double NIGHT_SECONDS = 8 * 3600;
    /** As hard as a hand pulls a lever, N; estimate. */
    private static final double FULL_PULL_N = 250;

    /** How much two hard stops warm a front brake, °C; estimate. */
    private static final double TWO_HARD_STOPS_C = 170;

    private final Layout layout;
    private final PressForces forces;

    SeatProcedures(Layout layout, PressForces forces) {
        this.layout = layout;
        this.forces = forces;
    }

    List<Procedure> all() {
        List<Procedure> all = new ArrayList<>(List.of(
                freePlay(),
                pumpUp(),
                releaseTen(),
                holdGentle(),
                holdMedium(),
                holdTwice(),
                travelAtForces(),
                returnTime(),
                firstPress()));
        if (layout.input() instanceof Lever) {
            all.add(rockLever());
            all.add(leverToGrip());
        } else {
            all.add(twoTapes());
            all.add(bracketWatched());
        }
        if (layout.all(DrumEnd.class).stream().anyMatch(DrumEnd::parkingBrake)) {
            all.add(parkingBrake());
        }
        if (!layout.family().clutch()) {
            all.add(lampAtRest());
            all.add(hotThenSoft());
        }
        return all;
    }

    private static TestDraft seat(String id, Protocol.Script script, ReadingSpec.Series series, double minutes) {
        return TestDraft.of(id, script).reads(series).minutes(minutes).rig(RigKind.FOOT_AND_TAPE);
    }

    private Procedure freePlay() {
        return TestDraft.sensing("free-play", new Sample(Sensed.FREE_PLAY_MM))
                .reads(Figures.freePlay("play"))
                .minutes(2)
                .rig(RigKind.FOOT_AND_TAPE)
                .observes("rod-gap-too-large", "rod-too-long", "pedal-stop-wrong", "reach-screw-preload")
                .steps(
                        Step.of("spend"),
                        Step.of("tape"),
                        Step.of("press-by-hand").reads("play"));
    }

    private Procedure pumpUp() {
        Protocol.Script script = Protocol.whole();
        for (int stroke = 1; stroke <= 5; stroke++) {
            script.then(new Press(forces.strokeN()), new Hold(1));
            if (stroke % 2 == 1) {
                script.then(new Sample(Sensed.TRAVEL_MM));
            }
            if (stroke < 5) {
                script.then(new Release(0.4));
            }
        }
        script.then(new Hold(20), new Sample(Sensed.TRAVEL_MM));
        return seat(
                        "pump-up",
                        script,
                        Figures.onOneTape(
                                Figures.travel("stroke-1"),
                                Figures.travel("stroke-3"),
                                Figures.travel("stroke-5"),
                                Figures.travel("held-20")),
                        3)
                .steps(
                        Step.of("spend"),
                        Step.of("block").caution("old-cup").fits("pedal-block"),
                        Step.of("pump").timed(5).reads("stroke-1", "stroke-3", "stroke-5"),
                        Step.of("stay").timed(20).reads("held-20"));
    }

    private Procedure releaseTen() {
        return seat(
                        "release-ten",
                        Protocol.whole()
                                .then(
                                        new Press(forces.strokeN()),
                                        new Hold(1),
                                        new Release(0.4),
                                        new Press(forces.strokeN()),
                                        new Hold(1),
                                        new Sample(Sensed.TRAVEL_MM),
                                        new Release(10),
                                        new Press(forces.strokeN()),
                                        new Hold(1),
                                        new Sample(Sensed.TRAVEL_MM)),
                        Figures.onOneTape(Figures.travel("pumped"), Figures.travel("after-ten")),
                        2)
                .steps(
                        Step.of("spend"),
                        Step.of("pump").reads("pumped"),
                        Step.of("wait").timed(10),
                        Step.of("again").reads("after-ten"));
    }

    /** After a night: what has run back or been pushed back comes in at the first press only. */
    private Procedure firstPress() {
        return seat(
                        "first-press",
                        Protocol.whole()
                                .then(
                                        new Stand(NIGHT_SECONDS),
                                        new Press(forces.strokeN()),
                                        new Hold(1),
                                        new Sample(Sensed.TRAVEL_MM),
                                        new Release(1),
                                        new Press(forces.strokeN()),
                                        new Hold(1),
                                        new Release(10),
                                        new Press(forces.strokeN()),
                                        new Hold(1),
                                        new Sample(Sensed.TRAVEL_MM)),
                        Figures.onOneTape(Figures.travel("first"), Figures.travel("third")),
                        3)
                .observes("drain-back", "residual-valve-missing")
                .steps(
                        Step.of("stood"),
                        Step.of("first").reads("first"),
                        Step.of("third").reads("third"));
    }

    private Procedure holdGentle() {
        return hold("hold-gentle", forces.gentleN()).steps(holdSteps());
    }

    private Procedure holdMedium() {
        return hold(ProcedureCatalogue.HOLD, forces.mediumN())
                .observes(SuspectCatalogue.NOTHING_WRONG)
                .steps(holdSteps());
    }

    private static TestDraft hold(String id, double forceN) {
        return seat(id, Protocol.whole().hold(forceN, Sensed.TRAVEL_MM, HOLD_SECONDS), Figures.hold(HOLD_SECONDS), 3);
    }

    private static List<Step> holdSteps() {
        return List.of(
                Step.of("spend"), Step.of("tape"), Step.of("hold").timed(60).reads(HOLD_FIGURES), Step.of("release"));
    }

    private Procedure holdTwice() {
        return seat(
                        "hold-twice",
                        Protocol.whole()
                                .then(
                                        new Press(forces.mediumN()),
                                        new Hold(5),
                                        new Mark(),
                                        new Hold(60),
                                        new Sample(Sensed.SINK_MM))
                                .then(
                                        new Release(2),
                                        new Press(forces.mediumN()),
                                        new Hold(5),
                                        new Mark(),
                                        new Hold(60),
                                        new Sample(Sensed.SINK_MM)),
                        new ReadingSpec.Series(List.of(Figures.sink("first"), Figures.sink("second")), 0),
                        4)
                .steps(
                        Step.of("spend"),
                        Step.of("first").timed(60).reads("first"),
                        Step.of("again").timed(60).reads("second"));
    }

    private Procedure travelAtForces() {
        Protocol.Script script = Protocol.whole();
        for (double forceN : List.of(forces.gentleN(), forces.easyN(), forces.strokeN(), forces.mediumN())) {
            script.then(new Press(forceN), new Hold(1), new Sample(Sensed.TRAVEL_MM), new Release(10));
        }
        return seat(
                        "travel-at-forces",
                        script,
                        Figures.onOneTape(
                                Figures.travel("gentle"),
                                Figures.travel("easy"),
                                Figures.travel("stroke"),
                                Figures.travel("medium")),
                        5)
                .observes(SuspectCatalogue.NOTHING_WRONG)
                .steps(
                        Step.of("spend"),
                        Step.of("tape"),
                        Step.of("gentle").reads("gentle"),
                        Step.of("easy").reads("easy"),
                        Step.of("stroke").reads("stroke"),
                        Step.of("medium").reads("medium"));
    }

    private Procedure returnTime() {
        return seat(
                        "return-time",
                        Protocol.whole()
                                .then(
                                        new Press(forces.strokeN()),
                                        new Hold(2),
                                        new Release(1),
                                        new Sample(Sensed.RETURN_SECONDS)),
                        new ReadingSpec.Series(List.of(Figures.seconds("return")), 0),
                        2)
                .steps(Step.of("press"), Step.of("let-go").reads("return"));
    }

    private Procedure parkingBrake() {
        return seat(
                        "parking-brake",
                        Protocol.whole()
                                .then(
                                        new Press(forces.strokeN()),
                                        new Hold(1),
                                        new Sample(Sensed.TRAVEL_MM),
                                        new Release(10),
                                        new ParkingBrake(true),
                                        new Press(forces.strokeN()),
                                        new Hold(1),
                                        new Sample(Sensed.TRAVEL_MM)),
                        Figures.onOneTape(Figures.travel("off"), Figures.travel("on")),
                        3)
                .observes("excess-shoe-clearance")
                .steps(
                        Step.of("chock").caution("chocks"),
                        Step.of("spend"),
                        Step.of("off").reads("off"),
                        Step.of("on").reads("on"));
    }

    private Procedure rockLever() {
        return TestDraft.sensing("rock-lever", new Sample(Sensed.ROCK_MM))
                .reads(Figures.movement("rock"))
                .minutes(1)
                .rig(RigKind.RULE)
                .observes("lever-bush-worn")
                .steps(Step.of("rock").reads("rock"));
    }

    private Procedure twoTapes() {
        return TestDraft.sensing("two-tapes", new Sample(Sensed.ROD_MM_PER_40))
                .reads(Figures.movement("rod"))
                .minutes(6)
                .rig(RigKind.RULE)
                .observes("wrong-ratio")
                .steps(Step.of("tapes"), Step.of("forty").reads("rod"));
    }

    private Procedure bracketWatched() {
        return TestDraft.of(
                        "bracket-watched",
                        Protocol.whole().then(new Press(forces.mediumN()), new Hold(2), new Sample(Sensed.BRACKET_MM)))
                .reads(Figures.movement("moves"))
                .minutes(4)
                .needs(VehicleNeeds.BONNET)
                .rig(RigKind.RULE)
                .observes("bracket-flexing")
                .steps(Step.of("rule"), Step.of("press").reads("moves").withHelperOrAlone());
    }

    /** Pulled as hard as a hand can: whether anything is left before the grip. */
    private Procedure leverToGrip() {
        double gripMm = layout.input().travelToStopMm();
        return TestDraft.of(
                        "lever-to-grip",
                        Protocol.whole().then(new Press(FULL_PULL_N), new Hold(2), new Sample(Sensed.LEFT_TO_STOP_MM)))
                .sees(List.of("hard-before-grip", "close-to-grip", "touches-grip"), left -> {
                    double pulledShare = 1 - left[0] / gripMm;
                    double near = ObservationTable.ramp(pulledShare, 0.75, 0.95);
                    double touches = ObservationTable.ramp(pulledShare, 0.92, 1);
                    return ObservationTable.normalised(0.02 + (1 - near), 0.03 + near * (1 - touches), 0.005 + touches);
                })
                .minutes(1)
                .steps(Step.of("pull"));
    }

    /** Off, out when the pedal is lifted by a toe, or lit whatever the pedal does. */
    private Procedure lampAtRest() {
        return TestDraft.of(
                        "lamp-at-rest",
                        Protocol.whole()
                                .then(
                                        new Sample(Sensed.LAMP_LIT),
                                        new Recut(CutSet.by(Isolation.PEDAL_LIFTED)),
                                        new Sample(Sensed.LAMP_LIT)))
                .sees(
                        List.of("off", "out-when-lifted", "stays-lit"),
                        lit -> lit[0] == 0
                                ? new double[] {0.95, 0.035, 0.015}
                                : lit[1] == 0 ? new double[] {0.10, 0.85, 0.05} : new double[] {0.02, 0.03, 0.95})
                .minutes(1)
                .observes("lamp-switch-wrong")
                .steps(Step.of("look"), Step.of("toe"));
    }

    private Procedure hotThenSoft() {
        return seat(
                        "hot-then-soft",
                        Protocol.whole()
                                .then(
                                        new Press(forces.strokeN()),
                                        new Hold(1),
                                        new Sample(Sensed.TRAVEL_MM),
                                        new Release(30),
                                        new Heat(TWO_HARD_STOPS_C),
                                        new Press(forces.strokeN()),
                                        new Hold(1),
                                        new Sample(Sensed.TRAVEL_MM)),
                        Figures.onOneTape(Figures.travel("cold"), Figures.travel("hot")),
                        14)
                .steps(
                        Step.of("cold").reads("cold"),
                        Step.of("stops").caution("quiet-road"),
                        Step.of("hot").reads("hot"));
    }
}
