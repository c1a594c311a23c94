package overturn.practice;

import java.util.Objects;
import overturn.circuit.Isolation;

/** One thing done with hands on the vehicle of an exercise. */
public sealed interface RigAct {

    /** Foot or hand presses with a force, N; 0 lets go. */
    record Foot(double forceN) implements RigAct {}

    /** The engine runs or not. */
    record Engine(boolean on) implements RigAct {}

    /** The parking brake is on or off. */
    record ParkingBrake(boolean on) implements RigAct {}

    /** The steering is held against its stop or not. */
    record Steer(boolean againstStop) implements RigAct {}

    /** A joint is plugged or clamped, or that is taken off again. */
    record Plug(String jointId, boolean on) implements RigAct {
        public Plug {
            Objects.requireNonNull(jointId, "jointId");
        }
    }

    /** A joint is cracked open or done up again; one before an end is its bleed screw. */
    record Crack(String jointId, boolean open) implements RigAct {
        public Crack {
            Objects.requireNonNull(jointId, "jointId");
        }
    }

    /** Something other than a joint is taken out or put back. */
    record Isolate(Isolation isolation, boolean on) implements RigAct {}

    /** The reservoir's cap is on or off. */
    record Cap(boolean on) implements RigAct {}

    /** The reservoir is filled up from a can. */
    record TopUp(String fluid) implements RigAct {}

    /** The vehicle is driven, with stops that warm its ends. */
    record Drive(int minutes) implements RigAct {}

    /** The vehicle stands, min. */
    record Stand(int minutes) implements RigAct {}

    /**
     * The rod behind the pedal, or the screw of the lever, is set this much longer than it should be, mm at the rod.
     */
    record SetRod(double tooLongMm) implements RigAct {}

    /** A part from the shelf is fitted in place of the master or an end; its size against the list's, by diameter. */
    record FitPart(String componentId, double sizeFactor) implements RigAct {
        public FitPart {
            Objects.requireNonNull(componentId, "componentId");
        }
    }

    /**
     * Strokes at the screw of an end, each in order: pressed, opened, shut, let go. It ends after four where bubbles
     * come.
     */
    record Bleed(String endId, int strokes) implements RigAct {
        public Bleed {
            Objects.requireNonNull(endId, "endId");
        }
    }

    /** Work by a plan has opened the line of an end, which lets air in there. */
    record Opened(String endId) implements RigAct {
        public Opened {
            Objects.requireNonNull(endId, "endId");
        }
    }

    /** A remedy is done whatever the verdict, at its price. */
    record Replace(String remedyId) implements RigAct {
        public Replace {
            Objects.requireNonNull(remedyId, "remedyId");
        }
    }
}
