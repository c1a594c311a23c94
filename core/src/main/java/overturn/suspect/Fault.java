package overturn.suspect;

import java.util.Set;
import overturn.circuit.Chamber;

/** A physical deviation from the sound vehicle. The simulator knows these and nothing of suspects. */
public sealed interface Fault {

    /** The internal seals of a tandem master that can by-pass, named by place. */
    enum Cup {
        PRIMARY_PISTON(Chamber.PRIMARY, Chamber.PRIMARY),
        SECOND_PISTON_REAR(Chamber.PRIMARY, Chamber.SECONDARY),
        SECOND_PISTON_FRONT(Chamber.SECONDARY, Chamber.SECONDARY);

        private final Chamber loses;
        private final Chamber compartment;

        Cup(Chamber loses, Chamber compartment) {
            this.loses = loses;
            this.compartment = compartment;
        }

        /** The chamber that loses fluid past this cup. */
        public Chamber loses() {
            return loses;
        }

        /** The reservoir compartment that the fluid ends up in. */
        public Chamber compartment() {
            return compartment;
        }
    }

    /**
     * A cup passes fluid back to the reservoir.
     *
     * @param mlPerMinAt20Bar  flow at 20 bar in the worst of the zone
     * @param pressureExponent flow grows with (p/20)^exponent; 0 or less where a lip seats better when pressed hard
     * @param zoneFromMm       the worn zone, in mm of travel of the piston that carries the cup
     * @param zoneToMm         end of the worn zone
     */
    record ByPass(Cup cup, double mlPerMinAt20Bar, double pressureExponent, double zoneFromMm, double zoneToMm) implements Fault {
    }

    /** Fluid leaves outside at a component; nothing below {@code opensAtBar}. */
    record OutwardLeak(String componentId, Chamber chamber, double mlPerMinAt20Bar, double opensAtBar) implements Fault {
    }

    /** Fluid leaves behind the rear seal into the assist, at no pressure, mL per day. */
    record HiddenWeep(double mlPerDay) implements Fault {
    }

    /** Air at ambient pressure trapped in a component, mL. */
    record TrappedAir(String componentId, Chamber chamber, double ml) implements Fault {
    }

    /** A release valve of the modulator lets fluid into its closed chamber while pressed. */
    record ReleaseValvePassing(Chamber chamber, double mlPerMinAt20Bar, double leakBackSeconds) implements Fault {
    }

    /** Hoses that swell by a multiple of what they should. */
    record HoseSwelling(Set<String> hoseIds, double factor) implements Fault {

        public HoseSwelling {
            hoseIds = Set.copyOf(hoseIds);
        }
    }

    /** Shoes that stand too far off the drum, mm per shoe above the sound clearance. */
    record ExcessShoeClearance(Set<String> drumIds, double extraPerShoeMm) implements Fault {

        public ExcessShoeClearance {
            drumIds = Set.copyOf(drumIds);
        }
    }

    /** Lost travel between pedal and master, mm at the rod above the sound play. */
    record RodGap(double extraMm) implements Fault {
    }

    /** The supply of the assist reaches only this share of a sound one, 0 to 1. */
    record LowSupply(double share) implements Fault {
    }
}
