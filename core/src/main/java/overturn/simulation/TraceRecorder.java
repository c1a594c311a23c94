package overturn.simulation;

import java.util.List;
import overturn.circuit.End;
import overturn.protocol.Act;
import overturn.protocol.Sensed;

/** Carries acts out in small steps and writes down what instruments would show. */
final class TraceRecorder implements Simulator.Recorder {

    /** How long a press is drawn, s; chosen. */
    private static final double PRESS_SECONDS = 0.6;
    /** Rest that is drawn at most, s; chosen. */
    private static final double MOST_REST_SHOWN_SECONDS = 30;

    private final VehicleState state;
    private final double frameSeconds;
    private final List<Trace.Frame> frames;
    private final Sensing sensing;
    private final boolean clutch;
    private double nowSeconds;

    TraceRecorder(VehicleState state, double frameSeconds, List<Trace.Frame> frames) {
        this.state = state;
        this.frameSeconds = frameSeconds;
        this.frames = frames;
        this.sensing = new Sensing(state);
        this.clutch = state.mechanism().plant().ends[0] instanceof End.Slave;
        show();
    }

    @Override
    public void perform(Act act, Section recut, VehicleState same) {
        if (act instanceof Act.Press press) {
            ramp(press.forceN());
            Simulator.performAtOnce(act, recut, state);
        } else if (act instanceof Act.Hold hold) {
            watch(hold.seconds(), step -> state.hold(step, step));
        } else if (act instanceof Act.Release release) {
            Simulator.performAtOnce(new Act.Release(Math.min(frameSeconds, release.seconds())), recut, state);
            tick(Math.min(frameSeconds, release.seconds()));
            double left = release.seconds() - frameSeconds;
            watch(Math.min(MOST_REST_SHOWN_SECONDS, left), state::rest);
            if (left > MOST_REST_SHOWN_SECONDS) {
                state.rest(left - MOST_REST_SHOWN_SECONDS);
                nowSeconds += left - MOST_REST_SHOWN_SECONDS;
            }
        } else {
            Simulator.performAtOnce(act, recut, state);
            tick(frameSeconds);
        }
    }

    private void ramp(double toN) {
        int steps = (int) Math.max(1, Math.round(PRESS_SECONDS / frameSeconds));
        for (int i = 1; i < steps; i++) {
            state.pressing(toN * i / steps);
            tick(frameSeconds);
        }
    }

    private void watch(double seconds, java.util.function.DoubleConsumer pass) {
        double left = seconds;
        while (left > 1e-9) {
            double step = Math.min(frameSeconds, left);
            pass.accept(step);
            tick(step);
            left -= step;
        }
    }

    private void tick(double seconds) {
        nowSeconds += seconds;
        show();
    }

    private void show() {
        frames.add(new Trace.Frame(
                nowSeconds,
                state.controls().forceN(),
                state.travel().travelMm(),
                state.travel().pressureBar(0),
                state.travel().pressureBar(1),
                state.mechanism().assist().charge(),
                state.volumes().compartmentMl(0) + state.volumes().compartmentMl(1),
                clutch ? sensing.of(Sensed.SLAVE_STROKE_MM, Plant.NONE) : 0));
    }
}
