package overturn.procedure;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import overturn.measurement.ReadingSpec;
import overturn.procedure.Procedure.Nature;
import overturn.procedure.Procedure.RigKind;
import overturn.simulation.Act.Hold;
import overturn.simulation.Act.Mark;
import overturn.simulation.Act.ParkingBrake;
import overturn.simulation.Act.Press;
import overturn.simulation.Act.Release;
import overturn.simulation.Act.Sample;
import overturn.simulation.Act.Sensed;
import overturn.simulation.Act.StartEngine;
import overturn.simulation.Protocol;
import overturn.suspect.SuspectCatalogue;

/** Tests done from the seat with a foot, a tape and a scale; nothing is opened. */
final class SeatTests {

    private static final int[] HOLD_SECONDS = {5, 15, 30, 60};
    private static final String[] HOLD_FIGURES = {"at-5", "at-15", "at-30", "at-60"};

    private final PressForces forces;

    SeatTests(PressForces forces) {
        this.forces = forces;
    }

    List<Procedure> all() {
        return List.of(freePlay(), pumpUp(), releaseTen(), holdGentle(), holdMedium(), holdTwice(), holdRunning(),
                travelAtForces(), parkingBrake(), assistDrop());
    }

    private static Procedure seat(String id, Protocol protocol, ReadingSpec spec, Nature nature, Set<String> observes,
                                  double minutes, Step... steps) {
        return new Procedure(id, protocol, spec, Optional.empty(), nature, observes, VehicleNeeds.SEAT, minutes,
                RigKind.FOOT_AND_TAPE, false, List.of(steps));
    }

    private Procedure freePlay() {
        return seat("free-play", Protocol.whole().then(new Sample(Sensed.FREE_PLAY_MM)).done(),
                Figures.differences(Figures.freePlay("play")), Nature.OBSERVING, Set.of("rod-gap-too-large"), 2,
                Step.of("spend"), Step.of("tape"), Step.of("press-by-hand").reads("play"));
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
        return seat("pump-up", script.done(), Figures.onOneTape(Figures.travel("stroke-1"), Figures.travel("stroke-3"),
                        Figures.travel("stroke-5"), Figures.travel("held-20")), Nature.INDICATING, Set.of(), 3,
                Step.of("spend"), Step.of("block").caution("old-cup").fits("pedal-block"),
                Step.of("pump").timed(5).reads("stroke-1", "stroke-3", "stroke-5"), Step.of("stay").timed(20).reads("held-20"));
    }

    private Procedure releaseTen() {
        Protocol protocol = Protocol.whole()
                .then(new Press(forces.strokeN()), new Hold(1), new Release(0.4), new Press(forces.strokeN()), new Hold(1),
                        new Sample(Sensed.TRAVEL_MM), new Release(10), new Press(forces.strokeN()), new Hold(1),
                        new Sample(Sensed.TRAVEL_MM)).done();
        return seat("release-ten", protocol, Figures.onOneTape(Figures.travel("pumped"), Figures.travel("after-ten")),
                Nature.INDICATING, Set.of(), 2,
                Step.of("spend"), Step.of("pump").reads("pumped"), Step.of("wait").timed(10), Step.of("again").reads("after-ten"));
    }

    private Procedure holdGentle() {
        return hold("hold-gentle", forces.gentleN(), Set.of());
    }

    private Procedure holdMedium() {
        return hold("hold-medium", forces.mediumN(), Set.of(SuspectCatalogue.NOTHING_WRONG));
    }

    private Procedure hold(String id, double forceN, Set<String> observes) {
        return seat(id, Protocol.whole().hold(forceN, Sensed.TRAVEL_MM, HOLD_SECONDS).done(), Figures.hold(HOLD_SECONDS),
                observes.isEmpty() ? Nature.INDICATING : Nature.OBSERVING, observes, 3,
                Step.of("spend"), Step.of("tape"), Step.of("hold").timed(60).reads(HOLD_FIGURES), Step.of("release"));
    }

    private Procedure holdTwice() {
        Protocol protocol = Protocol.whole()
                .then(new Press(forces.mediumN()), new Hold(5), new Mark(), new Hold(60), new Sample(Sensed.SINK_MM))
                .then(new Release(2), new Press(forces.mediumN()), new Hold(5), new Mark(), new Hold(60), new Sample(Sensed.SINK_MM))
                .done();
        return seat("hold-twice", protocol, Figures.differences(Figures.sink("first"), Figures.sink("second")), Nature.INDICATING,
                Set.of(), 4, Step.of("spend"), Step.of("first").timed(60).reads("first"), Step.of("again").timed(60).reads("second"));
    }

    private Procedure holdRunning() {
        Protocol protocol = Protocol.whole().then(new StartEngine())
                .hold(forces.runningN(), Sensed.TRAVEL_MM, HOLD_SECONDS).done();
        return seat("hold-running", protocol, Figures.hold(HOLD_SECONDS), Nature.OBSERVING, Set.of(SuspectCatalogue.NOTHING_WRONG), 3,
                Step.of("start").caution("running-engine"), Step.of("tape"), Step.of("hold").timed(60).reads(HOLD_FIGURES),
                Step.of("release"));
    }

    private Procedure travelAtForces() {
        Protocol.Script script = Protocol.whole();
        for (double forceN : List.of(forces.gentleN(), forces.easyN(), forces.strokeN(), forces.mediumN())) {
            script.then(new Press(forceN), new Hold(1), new Sample(Sensed.TRAVEL_MM), new Release(10));
        }
        return seat("travel-at-forces", script.done(), Figures.onOneTape(Figures.travel("gentle"), Figures.travel("easy"),
                        Figures.travel("stroke"), Figures.travel("medium")), Nature.OBSERVING, Set.of(SuspectCatalogue.NOTHING_WRONG), 5,
                Step.of("spend"), Step.of("tape"), Step.of("gentle").reads("gentle"), Step.of("easy").reads("easy"),
                Step.of("stroke").reads("stroke"), Step.of("medium").reads("medium"));
    }

    private Procedure parkingBrake() {
        Protocol protocol = Protocol.whole()
                .then(new Press(forces.strokeN()), new Hold(1), new Sample(Sensed.TRAVEL_MM), new Release(10), new ParkingBrake(true),
                        new Press(forces.strokeN()), new Hold(1), new Sample(Sensed.TRAVEL_MM)).done();
        return seat("parking-brake", protocol, Figures.onOneTape(Figures.travel("off"), Figures.travel("on")), Nature.ISOLATING,
                Set.of(), 3, Step.of("chock").caution("chocks"), Step.of("spend"), Step.of("off").reads("off"),
                Step.of("on").reads("on"));
    }

    private Procedure assistDrop() {
        Protocol protocol = Protocol.whole().then(new Press(forces.runningN()), new Hold(2), new Mark(), new StartEngine(),
                new Hold(3), new Sample(Sensed.SINK_MM)).done();
        return seat("assist-drop", protocol, Figures.differences(Figures.sink("drop")), Nature.INDICATING, Set.of(), 2,
                Step.of("spend"), Step.of("press"), Step.of("start").caution("running-engine").reads("drop"));
    }
}
