package overturn.suspect;

import java.util.Set;
import overturn.circuit.Chamber;

/** A physical deviation from the sound vehicle. The simulator knows these and nothing of suspects. */
public sealed interface Fault {

    /** The parts it is at, by id; empty where only one part of a vehicle can have it. */
    default Set<String> componentIds() {
        return Set.of();
    }

    /** The internal seals of a master that can by-pass, named by place. A master of one chamber has the first only. */
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

    // ---- input and rods

    /** Where travel is lost or something presses on the rod. */
    enum Rod {
        PEDAL_ROD,
        OUTPUT_ROD,
        LEVER_BUSH,
        REACH_SCREW,
        PEDAL_STOP
    }

    /** Lost travel, mm at the rod above the sound play. */
    record LostMotion(Rod where, double extraMm) implements Fault {}

    /** The rod is pushed in at rest, mm at the rod; what goes beyond the sound play keeps the ports covered. */
    record PreLoad(Rod where, double mm) implements Fault {}

    /** The pivot binds or its spring is weak: slow return, s, and friction, N at the rod. */
    record InputBinding(double extraReturnSeconds, double frictionN) implements Fault {}

    /** Bracket or bulkhead gives way, mm at the rod per kN of rod force. */
    record BracketFlex(double mmPerKn) implements Fault {}

    /** Another hole or a bent lever: the ratio is this multiple of the right one. */
    record WrongRatio(double factor) implements Fault {}

    /** The brake lamp switch is wrong though the pedal is home. */
    record LampSwitchWrong() implements Fault {}

    // ---- assist

    /** The supply reaches only this share of a sound one, 0 to 1, seen at the gauge. */
    record LowSupply(double share) implements Fault {}

    /** The supply line is collapsed: static figures stay, recovery takes this many times longer. */
    record SlowRecovery(double factor) implements Fault {}

    /** Where the assist leaks. */
    enum AssistLeakAt {
        SUPPLY_HOSE,
        CHECK_VALVE,
        AT_REST,
        WHILE_PRESSED,
        MASTER_JOINT
    }

    /** The assist leaks: share of the supply lost while the pump runs, and seconds in which a reserve is gone. */
    record AssistLeak(AssistLeakAt where, double lostShare, double emptySeconds) implements Fault {}

    /** The check valve never opens: the supply is there, the assist is dead. */
    record CheckValveShut() implements Fault {}

    /** The valve body or spool hangs: N of output with no foot on the pedal while there is supply. */
    record AssistSticking(double residualN) implements Fault {}

    /** Another unit than the maker's: its gain and area are this multiple, its output rod stands proud by mm. */
    record WrongAssist(double factor, double proudMm) implements Fault {}

    /** The reserve gives only this share of its strokes. */
    record ReserveLost(double share) implements Fault {}

    /** The return line is restricted: this share of the assist stays on for some seconds, more while steering. */
    record ReturnRestricted(double share, double seconds) implements Fault {}

    /** Air in the assist circuit: mm at the rod before it answers. */
    record AirInAssist(double mm) implements Fault {}

    /** Steering fluid leaves the assist, mL per day; into the footwell or outside. */
    record AssistFluidLoss(boolean footwell, double mlPerDay) implements Fault {}

    // ---- master and reservoir

    /**
     * A cup passes fluid back to the reservoir.
     *
     * @param mlPerMinAt20Bar flow at 20 bar in the worst of the zone
     * @param pressureExponent flow grows with (p/20)^exponent; 0 or less where a lip seats better when pressed hard
     * @param zoneFromMm the worn zone, in mm of travel of the piston that carries the cup
     * @param zoneToMm end of the worn zone
     */
    record ByPass(Cup cup, double mlPerMinAt20Bar, double pressureExponent, double zoneFromMm, double zoneToMm)
            implements Fault {}

    /** Fluid leaves behind the rear seal, unseen, at no pressure, mL per day. */
    record HiddenWeep(double mlPerDay) implements Fault {}

    /** A compensating hole is clogged: fluid drawn in past the cup stays, and drains in this time constant, s. */
    record CloggedHole(Chamber chamber, double drainSeconds) implements Fault {}

    /** The master's piston hangs: N at the rod, and slow return, s. */
    record PistonSticking(double frictionN, double extraReturnSeconds) implements Fault {}

    /** Another bore than the right one, or one worn oval: the area is this multiple. */
    record WrongBore(double areaFactor) implements Fault {}

    /** A residual pressure valve that should not be there, bar; or none where there should be one. */
    record ResidualValveWrong(boolean unwanted, double bar) implements Fault {}

    /**
     * The reservoir stands to the brim or cannot breathe.
     *
     * @param barWhenWarm pressure after it has warmed by 40 °C
     * @param toTheBrim whether its level shows it
     */
    record ReservoirShut(double barWhenWarm, boolean toTheBrim) implements Fault {}

    /** Fluid runs back while standing: mL short at the first press. */
    record DrainBack(double ml) implements Fault {}

    /** Master ports crossed. */
    record PortsCrossed() implements Fault {}

    // ---- pipes, valves, modulator, hoses

    /** Fluid leaves outside at a component; nothing below {@code opensAtBar}. */
    record OutwardLeak(String componentId, Chamber chamber, double mlPerMinAt20Bar, double opensAtBar)
            implements Fault {

        @Override
        public Set<String> componentIds() {
            return Set.of(componentId);
        }
    }

    /** Air at ambient pressure trapped in a component, mL. */
    record TrappedAir(String componentId, Chamber chamber, double ml) implements Fault {

        @Override
        public Set<String> componentIds() {
            return Set.of(componentId);
        }
    }

    /** A release valve of the modulator lets fluid into its closed chamber while pressed. */
    record ReleaseValvePassing(Chamber chamber, double mlPerMinAt20Bar, double leakBackSeconds) implements Fault {}

    /** The modulator lets pressure out at walking pace though no wheel locks: share of the pressure. */
    record ModulatorActing(double share) implements Fault {}

    /** A valve passes another pressure than it should: its knee is this multiple. */
    record ValveShifted(String valveId, double kneeFactor) implements Fault {

        @Override
        public Set<String> componentIds() {
            return Set.of(valveId);
        }
    }

    /**
     * A pipe or hose lets fluid through slowly both ways.
     *
     * @param seconds time constant of the end behind it
     * @param pedalSeconds how much later the pedal or lever comes back; nothing where its master draws in what is
     *     missing out of the reservoir, s
     */
    record Restriction(String componentId, double seconds, double pedalSeconds) implements Fault {

        @Override
        public Set<String> componentIds() {
            return Set.of(componentId);
        }
    }

    /** A flap in a hose lets fluid in and holds it there, bar. */
    record Flap(String hoseId, double holdsBar) implements Fault {

        @Override
        public Set<String> componentIds() {
            return Set.of(hoseId);
        }
    }

    /** Hoses that swell by a multiple of what they should. */
    record HoseSwelling(Set<String> hoseIds, double factor) implements Fault {

        public HoseSwelling {
            hoseIds = Set.copyOf(hoseIds);
        }

        @Override
        public Set<String> componentIds() {
            return hoseIds;
        }
    }

    // ---- ends

    /** What drags at an end whatever its pressure. */
    enum Binds {
        PISTON,
        SLIDES,
        SEAL_GROOVE,
        PARKING_BRAKE,
        SHOES_TIGHT
    }

    /** Mechanical drag at an end, Nm, and the share of its clamping force that is lost. */
    record MechanicalDrag(String endId, Binds what, double dragNm, double lostShare) implements Fault {

        @Override
        public Set<String> componentIds() {
            return Set.of(endId);
        }
    }

    /** Pads pushed back by runout or bearing play, mm per pad before the first press. */
    record PadPushedBack(Set<String> endIds, double mm) implements Fault {

        public PadPushedBack {
            endIds = Set.copyOf(endIds);
        }

        @Override
        public Set<String> componentIds() {
            return endIds;
        }
    }

    /** Shoes that stand too far off the drum, mm per shoe above the sound clearance. */
    record ExcessShoeClearance(Set<String> drumIds, double extraPerShoeMm) implements Fault {

        public ExcessShoeClearance {
            drumIds = Set.copyOf(drumIds);
        }

        @Override
        public Set<String> componentIds() {
            return drumIds;
        }
    }

    /** A part of another size at one end: piston area as a multiple of the right one. */
    record WrongPiston(String endId, double areaFactor) implements Fault {

        @Override
        public Set<String> componentIds() {
            return Set.of(endId);
        }
    }

    /**
     * Ends fitted on the wrong side or upside down: their screws stand below, and bleeding leaves the air above them.
     */
    record ScrewBelow(Set<String> endIds) implements Fault {

        public ScrewBelow {
            endIds = Set.copyOf(endIds);
        }

        @Override
        public Set<String> componentIds() {
            return endIds;
        }
    }

    /** Linings wet, glazed, contaminated or swapped: share of the braking lost while the hydraulics are sound. */
    record LiningsBad(String endId, double lostShare) implements Fault {

        @Override
        public Set<String> componentIds() {
            return Set.of(endId);
        }
    }

    // ---- clutch

    /** Rod, pivot or fork worn: mm of slave stroke that never reach the bearing. */
    record ForkWear(double mm) implements Fault {}

    /** Cover, plate or spigot bearing: mm of bearing travel needed above the right one. */
    record ClutchMechanical(double extraReleaseMm) implements Fault {}

    // ---- fluid

    /** Aged fluid: water, per cent by mass; it boils the sooner. */
    record WetFluid(double waterPercent) implements Fault {}

    /** The wrong kind: seals swell, the holes close, s to drain. */
    record WrongFluid(double drainSeconds) implements Fault {}

    /** Level below the minimum by mL, so that air is drawn in. */
    record FluidLow(double ml) implements Fault {}
}
