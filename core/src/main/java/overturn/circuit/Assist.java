package overturn.circuit;

/** What helps the foot. Output is added to the rod force above a threshold, up to what its supply can push. */
public sealed interface Assist extends Component {

    /** Output force over rod force above the jump-in. */
    double gain();

    /** Rod force below which it does nothing, N. */
    double thresholdN();

    /** Output at the threshold, N. */
    double jumpInN();

    /** Rod travel lost in its valve while it is dead, mm. */
    double valveLashMm();

    /** Most that a full supply can push, N: beyond it only the foot adds. */
    double fullForceN();

    /** Full strokes that a full reserve gives with the engine off. */
    double reserveStrokes();

    /** Time constant in which the supply refills it, s. */
    double recoverySeconds();

    /**
     * Vacuum assist.
     *
     * @param effectiveAreaMm2 area on which the vacuum works
     * @param supplyKpa depression that a sound supply reaches at idle near sea level
     */
    record VacuumAssist(
            String id,
            double effectiveAreaMm2,
            double gain,
            double thresholdN,
            double jumpInN,
            double supplyKpa,
            double valveLashMm,
            double reserveStrokes)
            implements Assist {

        @Override
        public double fullForceN() {
            return supplyKpa * effectiveAreaMm2 / 1000;
        }

        @Override
        public double recoverySeconds() {
            return 1.4;
        }
    }

    /**
     * Hydraulic assist fed by the steering pump, with an accumulator.
     *
     * @param spoolAreaMm2 area on which the pump pressure works
     * @param pumpBar pressure that a sound pump reaches
     */
    record HydraulicAssist(
            String id,
            double spoolAreaMm2,
            double gain,
            double thresholdN,
            double jumpInN,
            double pumpBar,
            double valveLashMm,
            double reserveStrokes)
            implements Assist {

        @Override
        public double fullForceN() {
            return pumpBar * spoolAreaMm2 / 10;
        }

        @Override
        public double recoverySeconds() {
            return 2.5;
        }
    }
}
