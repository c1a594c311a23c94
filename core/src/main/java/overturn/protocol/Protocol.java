package overturn.protocol;

import java.util.ArrayList;
import java.util.List;
import overturn.circuit.CutSet;

/**
 * What a test does to the circuit, from a rested vehicle with the engine off.
 *
 * @param cuts cut at the start
 * @param acts in order; each {@link Act.Sample} yields one figure
 */
public record Protocol(CutSet cuts, List<Act> acts) {

    public Protocol {
        acts = List.copyOf(acts);
    }

    /** How many figures it yields. */
    public int samples() {
        return sampled().size();
    }

    /** What is sensed, in the order of the figures. */
    public List<Sensed> sampled() {
        return acts.stream()
                .filter(Act.Sample.class::isInstance)
                .map(act -> ((Act.Sample) act).quantity())
                .toList();
    }

    /** Whether it does nothing to the vehicle. */
    public boolean onlySenses() {
        return cuts.equals(CutSet.NONE) && acts.stream().allMatch(Act.Sample.class::isInstance);
    }

    /** Starts a protocol with these cuts. */
    public static Script cut(CutSet cuts) {
        return new Script(cuts);
    }

    /** Starts a protocol on the whole circuit. */
    public static Script whole() {
        return new Script(CutSet.NONE);
    }

    /** Writes protocols down in the order of the work. */
    public static final class Script {
        private final CutSet cuts;
        private final List<Act> acts = new ArrayList<>();

        private Script(CutSet cuts) {
            this.cuts = cuts;
        }

        /** Adds acts. */
        public Script then(Act... next) {
            acts.addAll(List.of(next));
            return this;
        }

        /** Presses to a force and reads a quantity at each of these seconds after the press. */
        public Script hold(double forceN, Sensed quantity, int... atSeconds) {
            acts.add(new Act.Press(forceN));
            return stay(quantity, atSeconds);
        }

        /** Stays on the pedal and reads a quantity at each of these seconds from now. */
        public Script stay(Sensed quantity, int... atSeconds) {
            int now = 0;
            for (int second : atSeconds) {
                if (second > now) {
                    acts.add(new Act.Hold(second - now));
                    now = second;
                }
                acts.add(new Act.Sample(quantity));
            }
            return this;
        }

        public Protocol done() {
            return new Protocol(cuts, acts);
        }
    }
}
