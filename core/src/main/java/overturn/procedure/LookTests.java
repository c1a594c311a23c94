package overturn.procedure;

import static overturn.procedure.ObservationTable.normalised;
import static overturn.procedure.ObservationTable.ramp;
import static overturn.procedure.ObservationTable.seen;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import overturn.measurement.ReadingSpec.Observation;
import overturn.procedure.Procedure.Nature;
import overturn.procedure.Procedure.RigKind;
import overturn.simulation.Act.Hold;
import overturn.simulation.Act.Mark;
import overturn.simulation.Act.Press;
import overturn.simulation.Act.Release;
import overturn.simulation.Act.Sample;
import overturn.simulation.Act.Sensed;
import overturn.simulation.Act.StartEngine;
import overturn.simulation.Protocol;

/** Tests that yield an observation. Each table says how sure an eye is; the weights are estimates argued beside them. */
final class LookTests {

    private final PressForces forces;

    LookTests(PressForces forces) {
        this.forces = forces;
    }

    List<Procedure> all() {
        return List.of(characterise(), reservoir(), dryWalk(), raisedWalk(), assistLookedInto(), rearScrews());
    }

    private static Procedure look(String id, Protocol protocol, List<String> options, ObservationTable table, Set<String> observes,
                                  VehicleNeeds needs, double minutes, RigKind rig, boolean gate, Step... steps) {
        return new Procedure(id, protocol, new Observation(options), Optional.of(table),
                observes.isEmpty() ? Nature.INDICATING : Nature.OBSERVING, observes, needs, minutes, rig, gate, List.of(steps));
    }

    /**
     * The driver's complaint, pinned to one behaviour. Base weights are how often a sound vehicle is brought in for it; the rest
     * grows with what is really felt. Together with the frequencies they give about the shares of handbook 09 D for "sinks".
     */
    private Procedure characterise() {
        Protocol protocol = Protocol.whole()
                .then(new Press(forces.mediumN()), new Hold(1), new Sample(Sensed.TRAVEL_MM), new Mark(), new Hold(60),
                        new Sample(Sensed.SINK_MM), new Release(30), new Press(forces.gentleN()), new Hold(1),
                        new Sample(Sensed.TRAVEL_MM), new Release(30), new Press(forces.runningN()), new Mark(), new StartEngine(),
                        new Hold(3), new Sample(Sensed.SINK_MM), new Sample(Sensed.OUTSIDE_LOSS_ML_PER_DAY),
                        new Sample(Sensed.HIDDEN_LOSS_ML_PER_DAY)).done();
        ObservationTable table = felt -> {
            double lossMlPerDay = felt[4] + felt[5];
            return normalised(
                    0.50 + 2.5 * ramp(felt[1], 2, 8),
                    0.08 + 1.5 * ramp(felt[0] - felt[2], 11, 21),
                    0.15 + 2.0 * ramp(felt[2], 26, 38),
                    0.10 + 2.5 * ramp(-felt[3], -16, -6),
                    0.10 + 3.0 * ramp(lossMlPerDay, 0, 4));
        };
        return look("characterise", protocol, List.of("sinks", "springy", "long-then-firm", "hard", "level-falls"), table,
                Set.of(), VehicleNeeds.SEAT, 3, RigKind.EYE, false, Step.of("ask"), Step.of("feel"));
    }

    /** Worn linings lower a level too, and a topped-up reservoir clears nothing. */
    private Procedure reservoir() {
        Protocol protocol = Protocol.whole()
                .then(new Sample(Sensed.OUTSIDE_LOSS_ML_PER_DAY), new Sample(Sensed.HIDDEN_LOSS_ML_PER_DAY)).done();
        ObservationTable table = lost -> {
            double low = 0.10 + 0.85 * seen(lost[0] + lost[1], 1.5);
            return new double[] {1 - low, low};
        };
        return look("reservoir", protocol, List.of("steady", "low-or-topped-up"), table, Set.of(), VehicleNeeds.BONNET, 2,
                RigKind.EYE, true, Step.of("bonnet"), Step.of("level").caution("fluid"));
    }

    /** From outside, on the wheels: inside drums and behind boots stay hidden, so dry clears little. */
    private Procedure dryWalk() {
        Protocol protocol = Protocol.whole()
                .then(new Sample(Sensed.OUTSIDE_LOSS_ML_PER_DAY), new Sample(Sensed.HIDDEN_LOSS_ML_PER_DAY)).done();
        ObservationTable table = lost -> {
            double wet = 0.002 + 0.55 * seen(lost[0], 4);
            double damp = 0.05 + 0.25 * seen(lost[0], 1);
            double masterFace = 0.003 + 0.25 * seen(lost[1], 3);
            return new double[] {1 - wet - damp - masterFace, damp, wet, masterFace};
        };
        return look("dry-walk", protocol, List.of("all-dry", "damp", "wet", "wet-at-master-face"), table,
                Set.of("weeping-joint"), VehicleNeeds.BONNET, 5, RigKind.EYE, true,
                Step.of("seat"), Step.of("bonnet"), Step.of("round"));
    }

    /** Wheels off, boots peeled, after ten minutes under a propped pedal: most of what leaks outward shows. */
    private Procedure raisedWalk() {
        Protocol protocol = Protocol.whole().then(new Sample(Sensed.OUTSIDE_LOSS_ML_PER_DAY)).done();
        ObservationTable table = lost -> {
            double wet = 0.003 + 0.95 * seen(lost[0], 0.3);
            double damp = 0.04 * (1 - wet);
            return new double[] {1 - wet - damp, damp, wet};
        };
        return look("raised-walk", protocol, List.of("all-dry", "damp", "wet"), table, Set.of("weeping-joint"),
                VehicleNeeds.WHEELS_OFF, 16, RigKind.EYE, false,
                Step.of("prop").caution("pressure").fits("pedal-prop").timed(600), Step.of("boots").caution("lining-dust"),
                Step.of("joints"));
    }

    /** A dry face clears nothing; the shell and the hose do. */
    private Procedure assistLookedInto() {
        Protocol protocol = Protocol.whole().then(new Sample(Sensed.HIDDEN_LOSS_ML_PER_DAY)).done();
        ObservationTable table = lost -> {
            double pool = 0.002 + 0.9 * seen(lost[0], 0.6);
            double film = 0.04 + 0.5 * (seen(lost[0], 0.05) - seen(lost[0], 0.6));
            return normalised(1 - Math.min(0.99, pool + film), film, pool);
        };
        return look("assist-looked-into", protocol, List.of("dry", "film", "wet"), table, Set.of("rear-seal-weeping"),
                VehicleNeeds.BONNET, 7, RigKind.EYE, false, Step.of("hose"), Step.of("lamp"));
    }

    /** Air in a rear end spits at its screw; a bubble stuck away from the screw may not. */
    private Procedure rearScrews() {
        Protocol protocol = Protocol.whole().then(new Sample(Sensed.REAR_AIR_ML)).done();
        ObservationTable table = air -> {
            double spit = 0.01 + 0.8 * seen(air[0], 0.5);
            double few = 0.06 + 0.1 * seen(air[0], 0.2);
            return normalised(1 - Math.min(0.97, spit + few), few, spit);
        };
        return look("rear-screws", protocol, List.of("clear", "few-bubbles", "spits-air"), table, Set.of("air-in-rear-end"),
                new VehicleNeeds(false, true, false, VehicleNeeds.Opened.NOTHING), 8, RigKind.BLEED_HOSE, false,
                Step.of("hose-on").caution("screw"), Step.of("press"), Step.of("crack").caution("pressure"), Step.of("close"));
    }
}
