package overturn.simulation;

import overturn.circuit.Chamber;
import overturn.circuit.CutSet;

/** One thing done to the vehicle in a protocol. */
public sealed interface Act {

    /** Start the engine; the pedal stays as it is. */
    record StartEngine() implements Act {
    }

    /** Press to a force at the pedal, N, and stay there. */
    record Press(double forceN) implements Act {
    }

    /** Stay on the pedal, s. */
    record Hold(int seconds) implements Act {
    }

    /** Let go and wait, s. */
    record Release(double seconds) implements Act {
    }

    /** Parking brake on or off. */
    record ParkingBrake(boolean on) implements Act {
    }

    /** Change what is cut; the pedal is up. */
    record Recut(CutSet cuts) implements Act {
    }

    /** Let fluid out of a plugged port until its piston has moved this far, mm; the pedal stays pressed. */
    record LetOut(Chamber chamber, double strokeMm) implements Act {
    }

    /** Make the present travel and levels the zero of later differences. */
    record Mark() implements Act {
    }

    /** Take a figure. */
    record Sample(Sensed quantity) implements Act {
    }

    /** What can be sensed from outside. */
    enum Sensed {
        /** Pedal travel from rest, mm. */
        TRAVEL_MM,
        /** Pedal travel since the mark, mm. */
        SINK_MM,
        /** Rise of the primary compartment since the mark, mm of level. */
        PRIMARY_LEVEL_MM,
        /** Rise of the secondary compartment since the mark, mm of level. */
        SECONDARY_LEVEL_MM,
        /** Line pressure, bar. */
        PRESSURE_BAR,
        /** Free play at the pedal, mm. */
        FREE_PLAY_MM,
        /** Supply of the assist at idle, kPa below ambient. */
        SUPPLY_KPA,
        /** Fluid lost outside in a day of driving, mL. */
        OUTSIDE_LOSS_ML_PER_DAY,
        /** Fluid lost into the assist in a day, mL. */
        HIDDEN_LOSS_ML_PER_DAY,
        /** Air that the bleed screws of the rear ends let out, mL. */
        REAR_AIR_ML
    }
}
