package overturn.protocol;

import java.util.Objects;
import java.util.Optional;
import overturn.circuit.Chamber;
import overturn.circuit.CutSet;

/** One thing done to the vehicle in a protocol. */
public sealed interface Act {

    /** Start the engine; a foot on the pedal stays there, a free assist fills its reserve. */
    record StartEngine() implements Act {}

    /** Stop the engine; a foot on the pedal stays there. */
    record StopEngine() implements Act {}

    /** Press to a force at the pedal or lever, N, and stay there. */
    record Press(double forceN) implements Act {}

    /** Press until the pedal meets its stop, the lever its grip. */
    record PressToStop() implements Act {}

    /** Stay on the pedal, s. */
    record Hold(int seconds) implements Act {}

    /** Let go and wait, s. */
    record Release(double seconds) implements Act {}

    /** Parking brake on or off. */
    record ParkingBrake(boolean on) implements Act {}

    /** Turn the steering against its stop, or let go of it. */
    record Steer(boolean againstStop) implements Act {}

    /** The ends and their fluid warm up by stops or driving, °C. */
    record Heat(double byC) implements Act {}

    /** Stand unused, s: leaks and reserves run down, nothing is pressed. */
    record Stand(double seconds) implements Act {}

    /** Creep and stop, s: what is pushed back or runs back by itself is so again. */
    record Drive(double seconds) implements Act {}

    /** Change what is cut; the pedal is up. */
    record Recut(CutSet cuts) implements Act {
        public Recut {
            Objects.requireNonNull(cuts, "cuts");
        }
    }

    /** Let fluid out of a plugged port until its piston has moved this far, mm; the pedal stays pressed. */
    record LetOut(Chamber chamber, double strokeMm) implements Act {}

    /** Make the present travel and levels the zero of later differences. */
    record Mark() implements Act {}

    /** Take a figure, at a place where it matters which. */
    record Sample(Sensed quantity, Optional<String> place) implements Act {

        public Sample(Sensed quantity) {
            this(quantity, Optional.empty());
        }

        /** A figure taken at one end or hose. */
        public static Sample at(Sensed quantity, String componentId) {
            return new Sample(quantity, Optional.of(componentId));
        }
    }
}
