package overturn.simulation;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ConcurrentHashMap;
import overturn.circuit.CutSet;
import overturn.circuit.Layout;
import overturn.protocol.Act;
import overturn.protocol.Protocol;
import overturn.suspect.Fault;

/** Runs protocols on vehicles of one layout. Thread-safe; results depend on the arguments alone. */
public final class Simulator {

    /** Longest step of a hold that is simulated roughly, s; chosen. */
    private static final double FAST_STEP_SECONDS = 1;

    private final Plant plant;
    private final ConcurrentHashMap<CutSet, Section> sections = new ConcurrentHashMap<>();

    private Simulator(Layout layout) {
        this.plant = new Plant(layout);
    }

    public static Simulator of(Layout layout) {
        return new Simulator(layout);
    }

    public Layout layout() {
        return plant.layout;
    }

    /**
     * Figures and what the test left behind.
     *
     * @param figures in the order of the protocol's samples
     * @param after condition of the vehicle, everything made again
     */
    public record Run(List<Double> figures, VehicleCondition after) {}

    /** A protocol whose cuts and places have been looked up, for many runs. */
    public final class Prepared {
        private final Section first;
        private final List<Act> acts;
        private final Section[] recuts;
        private final int[] places;
        private final int samples;

        private Prepared(Protocol protocol) {
            this.first = section(protocol.cuts());
            this.acts = protocol.acts();
            this.recuts = new Section[acts.size()];
            this.places = new int[acts.size()];
            for (int i = 0; i < acts.size(); i++) {
                places[i] = Plant.NONE;
                if (acts.get(i) instanceof Act.Recut recut) {
                    recuts[i] = section(recut.cuts());
                } else if (acts.get(i) instanceof Act.Sample sample
                        && sample.place().isPresent()) {
                    places[i] = plant.end(sample.place().get());
                }
            }
            this.samples = protocol.samples();
        }

        /** The noiseless figures that a rested vehicle with these faults reads, in the order of the samples. */
        public double[] run(VehicleUnknowns vehicle, List<Fault> faults) {
            return figures(vehicle, faults, VehicleCondition.RESTED);
        }

        /** The same from a vehicle on which other tests were done before. */
        public double[] figures(VehicleUnknowns vehicle, List<Fault> faults, VehicleCondition before) {
            return perform(new VehicleState(plant, vehicle, faults, first, before), Recorder.NOTHING);
        }

        /** Figures and what the test leaves behind. */
        public Run run(VehicleUnknowns vehicle, List<Fault> faults, VehicleCondition before) {
            VehicleState state = new VehicleState(plant, vehicle, faults, first, before);
            double[] figures = perform(state, Recorder.NOTHING);
            return new Run(java.util.Arrays.stream(figures).boxed().toList(), state.condition());
        }

        private double[] perform(VehicleState state, Recorder recorder) {
            Sensing sensing = new Sensing(state);
            double[] figures = new double[samples];
            int taken = 0;
            for (int i = 0; i < acts.size(); i++) {
                Act act = acts.get(i);
                if (act instanceof Act.Sample sample) {
                    figures[taken++] = sensing.of(sample.quantity(), places[i]);
                } else {
                    recorder.perform(act, recuts[i], state);
                }
            }
            return figures;
        }
    }

    /** Looks up the cuts and places of a protocol once. */
    public Prepared prepare(Protocol protocol) {
        return new Prepared(protocol);
    }

    /** The noiseless figures that a rested vehicle with these faults reads, in the order of the protocol's samples. */
    public double[] run(Protocol protocol, VehicleUnknowns vehicle, List<Fault> faults) {
        return prepare(protocol).run(vehicle, faults);
    }

    /** The same from a vehicle on which other tests were done before. */
    public Run run(Protocol protocol, VehicleUnknowns vehicle, List<Fault> faults, VehicleCondition before) {
        return prepare(protocol).run(vehicle, faults, before);
    }

    /** The same as a time trace, a frame every {@code frameSeconds}. */
    public Trace trace(
            Protocol protocol,
            VehicleUnknowns vehicle,
            List<Fault> faults,
            VehicleCondition before,
            double frameSeconds) {
        Prepared prepared = prepare(protocol);
        List<Trace.Frame> frames = new ArrayList<>();
        VehicleState state = new VehicleState(plant, vehicle, faults, prepared.first, before);
        prepared.perform(state, new TraceRecorder(state, frameSeconds, frames));
        return new Trace(frameSeconds, frames);
    }

    /** How acts are carried out: at once, or watched. */
    interface Recorder {

        Recorder NOTHING = Simulator::performAtOnce;

        void perform(Act act, Section recut, VehicleState state);
    }

    static void performAtOnce(Act act, Section recut, VehicleState state) {
        if (act instanceof Act.Press press) {
            state.press(press.forceN());
        } else if (act instanceof Act.Hold hold) {
            state.hold(hold.seconds(), FAST_STEP_SECONDS);
        } else if (act instanceof Act.Release release) {
            state.release(release.seconds());
        } else if (act instanceof Act.Mark) {
            state.mark();
        } else if (act instanceof Act.Recut) {
            state.recut(recut);
        } else if (act instanceof Act.LetOut letOut) {
            state.letOut(letOut.chamber().ordinal(), letOut.strokeMm());
        } else if (act instanceof Act.PressToStop) {
            state.press(VehicleState.STOP_FORCE_N);
        } else if (act instanceof Act.StartEngine || act instanceof Act.StopEngine) {
            state.engine(act instanceof Act.StartEngine);
        } else if (act instanceof Act.ParkingBrake brake) {
            state.parkingBrake(brake.on());
        } else if (act instanceof Act.Heat heat) {
            state.heat(heat.byC());
        } else if (act instanceof Act.Stand stand) {
            state.stand(stand.seconds());
        } else if (act instanceof Act.Drive drive) {
            state.drive(drive.seconds());
        } else if (act instanceof Act.Steer steer) {
            state.steer(steer.againstStop());
        }
    }

    private Section section(CutSet cuts) {
        return sections.computeIfAbsent(cuts, c -> new Section(plant, c));
    }
}
