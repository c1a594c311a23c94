package overturn.circuit;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** A part of the circuit. Its id is unique in the layout and names it in drawings, words and logs. */
public sealed interface Component
        permits Input,
                Assist,
                Component.Master,
                Component.Reservoir,
                Component.Pipe,
                Component.Hose,
                Component.Modulator,
                Component.ProportioningValve,
                Component.MeteringValve,
                Component.Junction,
                Component.QuickConnector,
                End {

    /** Unique in the layout, lower case with dashes. */
    String id();

    /** Area of a circle, mm² from mm. */
    static double circleMm2(double diameterMm) {
        return Math.PI * diameterMm * diameterMm / 4;
    }

    /** How a master opens its chambers to the reservoir at rest; decides what a spout means and what can wear. */
    enum MasterKind {
        PORT_AND_CUP,
        CENTRE_VALVE,
        FIXED_SEAL
    }

    /**
     * A master cylinder of one or two chambers.
     *
     * @param boreMm bore of its pistons
     * @param fastFillBoreMm larger bore that fills the ends up to {@link #FAST_FILL_BAR}; equal to the bore where there
     *     is none
     * @param primaryStrokeMm how far the primary piston can go, or close on the second one
     * @param secondaryStrokeMm how far the second piston can go; 0 in a master of one chamber
     * @param portTravelMm rod travel until the chambers are shut, output-rod clearance included
     * @param springsN return springs and seals, felt at the rod
     * @param residualValveBar pressure that a residual pressure valve keeps; 0 where there is none
     * @param bleedScrew whether the master has a bleed screw of its own
     */
    record Master(
            String id,
            MasterKind kind,
            double boreMm,
            double fastFillBoreMm,
            double primaryStrokeMm,
            double secondaryStrokeMm,
            double portTravelMm,
            double springsN,
            double residualValveBar,
            boolean bleedScrew)
            implements Component {

        /** Pressure at which a stepped bore changes over, bar; estimate. */
        public static final double FAST_FILL_BAR = 3;

        /** Area of the bore in mm². */
        public double areaMm2() {
            return circleMm2(boreMm);
        }

        /** Whether there are two chambers. */
        public boolean tandem() {
            return secondaryStrokeMm > 0;
        }

        /** Fluid of one full stroke of one chamber, mL. */
        public double strokeMl(Chamber chamber) {
            return areaMm2() * (chamber == Chamber.PRIMARY ? primaryStrokeMm : secondaryStrokeMm) / 1000;
        }
    }

    /** How the reservoir is divided. */
    enum ReservoirKind {
        HALVES,
        ONE_LEVEL_OVER_A_WALL,
        SINGLE,
        REMOTE,
        SHARED_WITH_CLUTCH
    }

    /**
     * The reservoir.
     *
     * @param volumeMl fluid when full
     * @param minToMaxMl fluid between its marks
     * @param levelAreaMm2 surface over one compartment; 1 mL shows as 1000 / area mm of level
     * @param fluid what the seals of the whole circuit are made for
     */
    record Reservoir(
            String id, ReservoirKind kind, double volumeMl, double minToMaxMl, double levelAreaMm2, FluidKind fluid)
            implements Component {

        /** Where the level stands when nothing is left, mL above the minimum mark: never more than 0. */
        public double emptyMl() {
            return Math.min(0, minToMaxMl - volumeMl);
        }
    }

    /** Kinds of fluid; none mixes with another, and each ruins the seals made for the others. */
    enum FluidKind {
        GLYCOL,
        MINERAL,
        SILICONE;

        /** Stable id, key of its words. */
        public String id() {
            return name().toLowerCase(Locale.ROOT);
        }

        /** The kind of a stable id; empty where there is none. */
        public static Optional<FluidKind> find(String id) {
            return Arrays.stream(values()).filter(kind -> kind.id().equals(id)).findFirst();
        }
    }

    /**
     * A rigid pipe and the fluid in it.
     *
     * @param highLoop whether it rises to a high point where bubbles stay
     */
    record Pipe(String id, double fluidMl, boolean highLoop) implements Component {}

    /** What a hose is made of: only plain rubber may be clamped. */
    enum HoseKind {
        RUBBER,
        BRAIDED,
        PLASTIC
    }

    /** A hose and how much it swells per bar. */
    record Hose(String id, HoseKind kind, double lengthM, double swellMlPerBarPerM) implements Component {

        /** Swelling of the whole hose in mL/bar. */
        public double swellMlPerBar() {
            return lengthM * swellMlPerBarPerM;
        }
    }

    /**
     * The modulator; each chamber passes through it by an inlet valve, and a release valve shuts off a closed
     * low-pressure chamber.
     *
     * @param fluidMl fluid of one channel
     * @param closedChamberMl room in the closed chamber of one channel
     */
    record Modulator(String id, double fluidMl, double closedChamberMl) implements Component {}

    /**
     * Limits the pressure beyond it.
     *
     * @param kneeBar pressure up to which it passes everything
     * @param slope share of any further rise that it passes, 0 to 1
     */
    record ProportioningValve(String id, double kneeBar, double slope) implements Component {}

    /** Holds back the ends beyond it until a pressure is reached. */
    record MeteringValve(String id, double opensAtBar) implements Component {}

    /** A tee. */
    record Junction(String id) implements Component {}

    /** A connector that is pulled apart by hand. */
    record QuickConnector(String id) implements Component {}
}
