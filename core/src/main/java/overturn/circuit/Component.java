package overturn.circuit;

/** A part of the circuit. Its id is unique in the layout and names it in drawings, words and logs. */
public sealed interface Component {

    /** Unique in the layout, lower case with dashes. */
    String id();

    /**
     * The pedal.
     *
     * @param ratio              pedal force to rod force
     * @param travelToFloorMm    free travel from rest to the floor
     * @param freePlayMm         play felt at the pedal before the rod moves anything, reserve spent
     */
    record Pedal(String id, double ratio, double travelToFloorMm, double freePlayMm) implements Component {
    }

    /**
     * Vacuum assist.
     *
     * @param effectiveAreaMm2 area on which the vacuum works
     * @param gain             output force over rod force above the jump-in
     * @param thresholdN       rod force below which it does nothing
     * @param jumpInN          output at the threshold
     * @param supplyKpa        depression that a sound supply reaches at idle
     * @param valveLashMm      rod travel lost in the valve while the assist is dead
     */
    record VacuumAssist(String id, double effectiveAreaMm2, double gain, double thresholdN, double jumpInN,
                        double supplyKpa, double valveLashMm) implements Component {
    }

    /**
     * A tandem master cylinder of the port-and-cup kind.
     *
     * @param boreMm            bore of both pistons
     * @param primaryStrokeMm   how far the primary piston can close on the second one
     * @param secondaryStrokeMm how far the second piston can go
     * @param portTravelMm      rod travel until the cups have closed their ports, output-rod clearance included
     * @param springsN          return springs and seals, felt at the rod
     */
    record TandemMaster(String id, double boreMm, double primaryStrokeMm, double secondaryStrokeMm, double portTravelMm,
                        double springsN) implements Component {

        /** Area of the bore in mm². */
        public double areaMm2() {
            return Math.PI * boreMm * boreMm / 4;
        }
    }

    /**
     * The reservoir, in two halves above a wall.
     *
     * @param levelAreaMm2PerHalf surface of one half; 1 mL shows as 1000 / area mm of level
     */
    record Reservoir(String id, double levelAreaMm2PerHalf) implements Component {
    }

    /** A rigid pipe and the fluid in it. */
    record Pipe(String id, double fluidMl) implements Component {
    }

    /**
     * The modulator; each chamber passes through it by an inlet valve, and a release valve shuts off a closed low-pressure chamber.
     *
     * @param fluidMl            fluid of one channel
     * @param closedChamberMl    room in the closed chamber of one channel
     */
    record Modulator(String id, double fluidMl, double closedChamberMl) implements Component {
    }

    /** A rubber hose and how much it swells per bar. */
    record Hose(String id, double lengthM, double swellMlPerBarPerM) implements Component {

        /** Swelling of the whole hose in mL/bar. */
        public double swellMlPerBar() {
            return lengthM * swellMlPerBarPerM;
        }
    }

    /** An end that takes fluid: a caliper or a pair of drum cylinders. */
    sealed interface End extends Component {

        /** Fluid taken up before the linings touch, mL. */
        double clearanceMl();

        /** Pressure by which the clearance is taken up, bar. */
        double takeUpBar();

        /** Stiffness at first and when pressed hard, mL/bar. */
        double softMlPerBar();

        double firmMlPerBar();

        /** Share of the clearance volume that a parking brake takes up, 0 where there is none. */
        double parkingBrakeShare();

        /** Share of the clearance volume still in the end at once after release: shoes walk back slower than pads. */
        double lingeringShare();
    }

    /** A floating caliper: one piston, two pads. */
    record DiscEnd(String id, double pistonMm, double clearancePerPadMm, double softMlPerBar, double firmMlPerBar) implements End {

        @Override
        public double clearanceMl() {
            return Math.PI * pistonMm * pistonMm / 4 * 2 * clearancePerPadMm / 1000;
        }

        @Override
        public double takeUpBar() {
            return 0.8;
        }

        @Override
        public double parkingBrakeShare() {
            return 0;
        }

        @Override
        public double lingeringShare() {
            return 0.5;
        }
    }

    /** A drum with one two-piston wheel cylinder and a parking brake lever. */
    record DrumEnd(String id, double cylinderMm, double clearancePerShoeMm, double softMlPerBar, double firmMlPerBar) implements End {

        @Override
        public double clearanceMl() {
            return clearanceMl(clearancePerShoeMm);
        }

        /** Fluid for both pistons to cross the given clearance per shoe. */
        public double clearanceMl(double perShoeMm) {
            return Math.PI * cylinderMm * cylinderMm / 4 * 2 * perShoeMm / 1000;
        }

        @Override
        public double takeUpBar() {
            return 4;
        }

        @Override
        public double parkingBrakeShare() {
            return 0.85;
        }

        @Override
        public double lingeringShare() {
            return 1;
        }
    }
}
