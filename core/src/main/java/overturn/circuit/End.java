package overturn.circuit;

/** An end that takes fluid. */
public sealed interface End extends Component {

    /** Which wheels it brakes. */
    enum Axle {
        FRONT,
        REAR
    }

    /** On which side of the vehicle it sits. */
    enum Side {
        LEFT,
        CENTRE,
        RIGHT
    }

    /** Whether it brakes a rear wheel; an end that brakes none does not. */
    default boolean rear() {
        return false;
    }

    /** On which side of the vehicle it sits. */
    default Side side() {
        return Side.CENTRE;
    }

    /** Fluid in it, mL. */
    double fluidMl();

    /** Fluid taken up before the linings touch, mL; 0 where there are none. */
    double clearanceMl();

    /** Pressure by which the clearance is taken up, bar. */
    double takeUpBar();

    /** Stiffness at first, mL/bar. */
    double softMlPerBar();

    /** Stiffness when pressed hard, mL/bar. */
    double firmMlPerBar();

    /** Drag torque per bar of pressure left in it above the onset, Nm; 0 where nothing turns. */
    double dragNmPerBar();

    /** Pressure left in it at which it begins to drag, bar. */
    double dragOnsetBar();

    /** Coefficient of friction of linings, docs/physics.md; estimate. */
    double LINING_FRICTION = 0.4;

    /** A caliper: pistons on one side count, two pads share the clearance. */
    record DiscEnd(
            String id,
            Axle axle,
            Side side,
            double pistonMm,
            int pistonsPerSide,
            double clearancePerPadMm,
            double softMlPerBar,
            double firmMlPerBar,
            double radiusMm)
            implements End {

        @Override
        public boolean rear() {
            return axle == Axle.REAR;
        }

        /** Piston area of one side, mm². */
        public double pistonAreaMm2() {
            return pistonsPerSide * Component.circleMm2(pistonMm);
        }

        @Override
        public double fluidMl() {
            return pistonAreaMm2() * 13 / 1000;
        }

        @Override
        public double clearanceMl() {
            return pistonAreaMm2() * 2 * clearancePerPadMm / 1000;
        }

        @Override
        public double takeUpBar() {
            return 0.8;
        }

        @Override
        public double dragNmPerBar() {
            return 2 * LINING_FRICTION * radiusMm / 1000 * 0.1 * pistonAreaMm2();
        }

        @Override
        public double dragOnsetBar() {
            return 0.6;
        }
    }

    /** A drum with one two-piston wheel cylinder. */
    record DrumEnd(
            String id,
            Axle axle,
            Side side,
            double cylinderMm,
            double clearancePerShoeMm,
            double softMlPerBar,
            double firmMlPerBar,
            double radiusMm,
            boolean parkingBrake)
            implements End {

        /** Servo factor of a leading and trailing shoe, docs/trade-figures.md A; estimate. */
        private static final double SHOE_FACTOR = 2.5;

        @Override
        public boolean rear() {
            return axle == Axle.REAR;
        }

        @Override
        public double fluidMl() {
            return 6;
        }

        @Override
        public double clearanceMl() {
            return clearanceMl(clearancePerShoeMm);
        }

        /** Fluid for both pistons to cross the given clearance per shoe, mL. */
        public double clearanceMl(double perShoeMm) {
            return Component.circleMm2(cylinderMm) * 2 * perShoeMm / 1000;
        }

        @Override
        public double takeUpBar() {
            return 4;
        }

        @Override
        public double dragNmPerBar() {
            return SHOE_FACTOR * 0.1 * Component.circleMm2(cylinderMm) * radiusMm / 1000;
        }

        @Override
        public double dragOnsetBar() {
            return 3.5;
        }
    }

    /**
     * A clutch slave, outside with a fork or concentric around the shaft.
     *
     * @param areaMm2 piston or ring area
     * @param strokeMm how far it can go
     * @param forkRatio slave stroke over bearing travel; 1 where it pushes the bearing itself
     * @param releaseTravelMm bearing travel that frees the clutch
     * @param biteBar pressure at a quarter of that travel
     * @param fullBar pressure at all of it
     */
    record Slave(
            String id,
            double areaMm2,
            double strokeMm,
            double forkRatio,
            double releaseTravelMm,
            double biteBar,
            double fullBar,
            boolean concentric)
            implements End {

        /** Share of the release travel made by the bite; estimate. */
        private static final double BITE_SHARE = 0.25;

        /** Stroke at a pressure, mm: to the bite, to full release and on with the same slope to its stop. */
        public double strokeAt(double bar) {
            double neededMm = releaseTravelMm * forkRatio;
            double mm = bar <= biteBar
                    ? BITE_SHARE * neededMm * bar / biteBar
                    : neededMm * (BITE_SHARE + (1 - BITE_SHARE) * (bar - biteBar) / (fullBar - biteBar));
            return Math.min(strokeMm, mm);
        }

        @Override
        public double fluidMl() {
            return areaMm2 * strokeMm / 2000;
        }

        @Override
        public double clearanceMl() {
            return 0;
        }

        @Override
        public double takeUpBar() {
            return 1;
        }

        @Override
        public double softMlPerBar() {
            return 0.002;
        }

        @Override
        public double firmMlPerBar() {
            return 0.002;
        }

        @Override
        public double dragNmPerBar() {
            return 0;
        }

        @Override
        public double dragOnsetBar() {
            return biteBar;
        }
    }
}
