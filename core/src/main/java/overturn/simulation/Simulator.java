package overturn.simulation;

import java.util.List;
import java.util.concurrent.ConcurrentHashMap;
import overturn.circuit.CutSet;
import overturn.circuit.Layout;
import overturn.suspect.Fault;

/** Runs protocols on vehicles of one layout. Thread-safe; results depend on the arguments alone. */
public final class Simulator {

    private final Layout layout;
    private final ConcurrentHashMap<CutSet, Section> sections = new ConcurrentHashMap<>();

    private Simulator(Layout layout) {
        this.layout = layout;
    }

    public static Simulator of(Layout layout) {
        return new Simulator(layout);
    }

    public Layout layout() {
        return layout;
    }

    /** The noiseless figures that a vehicle with these faults reads, in the order of the protocol's samples. */
    public double[] run(Protocol protocol, VehicleUnknowns vehicle, List<Fault> faults) {
        VehicleState state = new VehicleState(layout, vehicle, faults, section(protocol.cuts()));
        double[] figures = new double[protocol.samples()];
        int taken = 0;
        for (Act act : protocol.acts()) {
            if (act instanceof Act.Sample sample) {
                figures[taken++] = state.sensed(sample.quantity());
            } else {
                perform(act, state);
            }
        }
        return figures;
    }

    private void perform(Act act, VehicleState state) {
        if (act instanceof Act.Press press) {
            state.press(press.forceN());
        } else if (act instanceof Act.Hold hold) {
            state.hold(hold.seconds());
        } else if (act instanceof Act.Release release) {
            state.release(release.seconds());
        } else if (act instanceof Act.Mark) {
            state.mark();
        } else if (act instanceof Act.StartEngine) {
            state.startEngine();
        } else if (act instanceof Act.ParkingBrake brake) {
            state.parkingBrake(brake.on());
        } else if (act instanceof Act.Recut recut) {
            state.recut(section(recut.cuts()));
        } else if (act instanceof Act.LetOut letOut) {
            state.letOut(letOut.chamber(), letOut.strokeMm());
        }
    }

    private Section section(CutSet cuts) {
        return sections.computeIfAbsent(cuts, c -> Section.of(layout, c));
    }
}
