package overturn.catalogue;

import static overturn.procedure.ObservationTable.normalised;
import static overturn.procedure.ObservationTable.ramp;

import java.util.ArrayList;
import java.util.List;
import overturn.circuit.End;
import overturn.circuit.Layout;
import overturn.procedure.PressForces;
import overturn.procedure.Procedure;
import overturn.procedure.Step;
import overturn.protocol.Act;
import overturn.protocol.Act.Drive;
import overturn.protocol.Act.Heat;
import overturn.protocol.Act.Hold;
import overturn.protocol.Act.Mark;
import overturn.protocol.Act.Press;
import overturn.protocol.Act.PressToStop;
import overturn.protocol.Act.Release;
import overturn.protocol.Act.Sample;
import overturn.protocol.Act.StartEngine;
import overturn.protocol.Protocol;
import overturn.protocol.Sensed;
import overturn.simulation.Simulator;
import overturn.simulation.VehicleUnknowns;
import overturn.suspect.SuspectCatalogue;

/**
 * The driver's complaint, pinned to one behaviour. Base weights are how often a sound vehicle is brought in for it; the
 * rest grows with what is really felt against a sound one of the same layout. Together with the frequencies they give
 * about the shares of docs/trade-figures.md D for "sinks".
 */
final class Characterise {

    /** Whoever plainly feels one thing hardly complains of another; estimate. */
    private static final double OUTSHONE = 0.95;

    /** Places of what it reads; definition. */
    private static final int GENTLE_TRAVEL = 0;

    private static final int TRAVEL = 1;
    private static final int SINK = 2;
    private static final int OUTSIDE_LOSS = 3;
    private static final int HIDDEN_LOSS = 4;
    /**
     * Drag of the worst wheel; at a clutch the pressure left at its slave, which holds it half released; definition.
     */
    private static final int DRAG = 5;

    private static final int RETURN = 6;
    private static final int LAMP = 7;
    private static final int HOT_TRAVEL = 8;
    private static final int PRESSURE = 9;
    private static final int THEN = 10;
    private static final int WORN = 11;

    /** Pressure left from which a clutch slips at full load, and plainly; estimates. */
    private static final double SLIPS_FROM_BAR = 0.3;

    /** Pressure left at the slave by which a clutch slips plainly, bar; estimate. */
    private static final double SLIPS_PLAINLY_BAR = 2;
    /** A worn cover or plate slips so plainly, the hydraulics sound; estimate. */
    private static final double SLIPS_OF_WORN = 0.4;

    /** How long it is driven until it shows, s; estimate. */
    private static final double DRIVE_SECONDS = 10;

    private final Layout layout;
    private final PressForces forces;
    private final boolean assisted;
    private final List<String> wheels;

    Characterise(Layout layout, PressForces forces) {
        this.layout = layout;
        this.forces = forces;
        this.assisted = layout.assist().isPresent();
        this.wheels = layout.ends().stream()
                .filter(e -> !(e instanceof End.Slave))
                .map(End::id)
                .toList();
    }

    Procedure procedure() {
        Protocol.Script script = script();
        double[] sound = soundly(script);
        return TestDraft.of(ProcedureCatalogue.CHARACTERISE, script)
                .sees(options(), felt -> weights(felt, sound))
                .steps(Step.of("ask"), Step.of("feel"));
    }

    /** What is felt beside it: drawn as the first is, of those that the first left over. */
    Procedure alsoFelt() {
        Protocol.Script script = script();
        double[] sound = soundly(script);
        return TestDraft.of(ProcedureCatalogue.ALSO_FELT, script)
                .sees(options(), felt -> second(weights(felt, sound)))
                .steps(Step.of("ask"));
    }

    /** Chance of each to be drawn second, without the first being put back. */
    static double[] second(double[] first) {
        double[] second = new double[first.length];
        for (int told = 0; told < first.length; told++) {
            for (int also = 0; also < first.length; also++) {
                second[also] += also == told ? 0 : first[told] * first[also] / (1 - first[told]);
            }
        }
        return normalised(second);
    }

    /** Whether the technician feels anything of it, whatever it is. */
    Procedure driven() {
        Protocol.Script script = script(new Drive(DRIVE_SECONDS));
        double[] sound = soundly(script);
        return TestDraft.of("driven", script)
                .sees(List.of("as-it-should", "slightly", "plainly"), felt -> {
                    double not = felt(felt, sound).stream()
                            .mapToDouble(f -> 1 - f.strength)
                            .reduce(1, (a, b) -> a * b);
                    double as = 0.03 + 0.93 * not * not;
                    double plainly = 0.01 + 0.93 * (1 - not) * (1 - not);
                    return new double[] {as, 1 - as - plainly, plainly};
                })
                .minutes(8)
                .observes(SuspectCatalogue.NOTHING_WRONG)
                .steps(Step.of("stand").caution("quiet-road"), Step.of("creep"), Step.of("judge"));
    }

    private double[] soundly(Protocol.Script script) {
        return Simulator.of(layout).run(script.done(), VehicleUnknowns.NOMINAL, List.of());
    }

    private Protocol.Script script(Act... before) {
        Protocol.Script script = Protocol.whole()
                .then(before)
                .then(
                        new Press(forces.gentleN()),
                        new Hold(1),
                        new Sample(Sensed.TRAVEL_MM),
                        new Press(forces.mediumN()),
                        new Hold(1),
                        new Sample(Sensed.TRAVEL_MM),
                        new Mark(),
                        new Hold(60),
                        new Sample(Sensed.SINK_MM),
                        new Release(30),
                        new Sample(Sensed.OUTSIDE_LOSS_ML_PER_DAY),
                        new Sample(Sensed.HIDDEN_LOSS_ML_PER_DAY));
        if (assisted) {
            script.then(new StartEngine());
        }
        double stopN = assisted ? forces.runningN() : forces.mediumN();
        script.then(
                new Press(stopN),
                new Hold(2),
                new Release(1),
                new Heat(60),
                wheels.isEmpty()
                        ? Sample.at(Sensed.RESIDUAL_BAR, layout.ends().get(0).id())
                        : new Sample(Sensed.WORST_DRAG_NM),
                new Sample(Sensed.RETURN_SECONDS),
                new Sample(Sensed.LAMP_LIT),
                new Heat(80),
                new Press(stopN),
                new Hold(1),
                new Sample(Sensed.TRAVEL_MM),
                new Sample(Sensed.PRESSURE_BAR));
        if (wheels.isEmpty()) {
            return script.then(
                    new Release(20),
                    new PressToStop(),
                    new Hold(3),
                    new Sample(Sensed.RELEASE_MARGIN_MM),
                    new Sample(Sensed.CLUTCH_WORN_MM));
        }
        wheels.forEach(w -> script.then(Sample.at(Sensed.BRAKE_SHARE, w)));
        return script;
    }

    private List<String> options() {
        List<String> options =
                new ArrayList<>(List.of("sinks", "springy", "long-then-firm", "hard", "level-falls", "returns-slowly"));
        if (wheels.isEmpty()) {
            options.addAll(List.of("does-not-free", "slips"));
        } else {
            options.add("stays-on");
            if (wheels.size() > 1) {
                options.add("pulls");
            }
            options.addAll(List.of("soft-when-hot", "lamp-stays-lit"));
        }
        return options;
    }

    /** Chance of each behaviour, in the order of the options. */
    private double[] weights(double[] felt, double[] sound) {
        List<Felt> all = felt(felt, sound);
        double strongest = all.stream().mapToDouble(Felt::strength).max().orElse(0);
        return normalised(all.stream()
                .mapToDouble(f -> f.base * (1 - OUTSHONE * strongest) + f.gain * f.strength)
                .toArray());
    }

    private List<Felt> felt(double[] felt, double[] sound) {
        double scale = layout.input().travelToStopMm() / 120;
        List<Felt> all = new ArrayList<>();
        all.add(new Felt(0.75, 2.5, ramp(felt[SINK] - sound[SINK], 0.3 * scale, 6 * scale)));
        double spring = felt[TRAVEL] - felt[GENTLE_TRAVEL] - (sound[TRAVEL] - sound[GENTLE_TRAVEL]);
        all.add(new Felt(0.08, 1.5, ramp(spring, 2 * scale, 12 * scale)));
        all.add(new Felt(0.15, 2.0, ramp(felt[GENTLE_TRAVEL] - sound[GENTLE_TRAVEL], scale, 13 * scale)));
        all.add(new Felt(0.10, 2.5, ramp(1 - felt[PRESSURE] / sound[PRESSURE], 0.2, 0.6)));
        all.add(new Felt(0.10, 3.0, ramp(felt[OUTSIDE_LOSS] + felt[HIDDEN_LOSS], 0, 4)));
        all.add(new Felt(0.05, 2.5, ramp(felt[RETURN], 0.4, 1.1)));
        if (wheels.isEmpty()) {
            all.add(new Felt(0.25, 4.0, ramp(-felt[THEN], -0.1 * scale, 0.8 * scale)));
            double held = ramp(felt[DRAG], SLIPS_FROM_BAR, SLIPS_PLAINLY_BAR);
            all.add(new Felt(0.06, 3.0, Math.max(held, SLIPS_OF_WORN * ramp(felt[WORN], 0, scale))));
        } else {
            all.add(new Felt(0.08, 3.5, ramp(felt[DRAG], 6, 16)));
            if (wheels.size() > 1) {
                all.add(new Felt(0.08, 2.0, ramp(unevenness(felt), 0.1, 0.35)));
            }
            double hot = felt[HOT_TRAVEL] - sound[HOT_TRAVEL] - Math.max(0, felt[GENTLE_TRAVEL] - sound[GENTLE_TRAVEL]);
            all.add(new Felt(0.03, 2.5, ramp(hot, 3 * scale, 15 * scale)));
            all.add(new Felt(0.02, 3.0, felt[LAMP]));
        }
        return all;
    }

    /**
     * One behaviour.
     *
     * @param base how often a vehicle is brought in for it though it does not do it
     * @param gain how readily it is told when it does
     * @param strength how plainly it does, 0 to 1
     */
    private record Felt(double base, double gain, double strength) {}

    private static double unevenness(double[] felt) {
        double least = Double.POSITIVE_INFINITY;
        double most = 0;
        for (int i = THEN; i < felt.length; i++) {
            least = Math.min(least, felt[i]);
            most = Math.max(most, felt[i]);
        }
        return most <= 0 ? 0 : 1 - least / most;
    }
}
