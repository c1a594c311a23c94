package overturn.circuit;

/** What the foot or hand works. */
public sealed interface Input extends Component {

    /** Foot or hand force to rod force, at rest. */
    double ratioAtRest();

    /** The same at its stop. */
    double ratioAtStop();

    /** Free travel from rest to floor or grip, mm. */
    double travelToStopMm();

    /** Play felt before the rod moves anything, reserve spent, mm at the pedal or lever tip. */
    double freePlayMm();

    /** Ratio after some travel, straight between rest and stop. */
    default double ratioAt(double travelMm) {
        return ratioAtRest() + (ratioAtStop() - ratioAtRest()) * Math.max(0, Math.min(1, travelMm / travelToStopMm()));
    }

    /** Rod travel after some travel, mm: the integral of dx / ratio(x). */
    default double rodTravelMm(double travelMm) {
        double slope = (ratioAtStop() - ratioAtRest()) / travelToStopMm();
        return Math.abs(slope) < 1e-9 ? travelMm / ratioAtRest() : Math.log1p(slope * travelMm / ratioAtRest()) / slope;
    }

    /** Travel that moves the rod so far, mm. */
    default double travelMm(double rodTravelMm) {
        double slope = (ratioAtStop() - ratioAtRest()) / travelToStopMm();
        return Math.abs(slope) < 1e-9
                ? rodTravelMm * ratioAtRest()
                : ratioAtRest() * Math.expm1(slope * rodTravelMm) / slope;
    }

    /** A pedal: one ratio over its arc. */
    record Pedal(String id, double ratio, double travelToFloorMm, double freePlayMm) implements Input {

        @Override
        public double ratioAtRest() {
            return ratio;
        }

        @Override
        public double ratioAtStop() {
            return ratio;
        }

        @Override
        public double travelToStopMm() {
            return travelToFloorMm;
        }
    }

    /** A hand lever, measured at its tip; its ratio changes along the arc and the grip ends its stroke. */
    record Lever(String id, double ratioAtRest, double ratioAtGrip, double travelToGripMm, double freePlayMm)
            implements Input {

        @Override
        public double ratioAtStop() {
            return ratioAtGrip;
        }

        @Override
        public double travelToStopMm() {
            return travelToGripMm;
        }
    }
}
