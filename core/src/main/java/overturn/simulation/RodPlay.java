package overturn.simulation;

import overturn.suspect.Fault.Rod;

/** Play and preload between pedal or lever and the master's piston. */
final class RodPlay {

    /** Share of the port travel that a pushed-in piston uses up before its hole is covered; estimate. */
    private static final double PORT_SHARE = 0.6;

    /** Lost motion that every pedal has, mm at the rod; estimate. */
    private static final double LEAST_LOST_MM = 0.3;

    /** Of the way that a worn bush takes from the rod, what a finger feels as free play at the tip; estimate. */
    private static final double BUSH_FELT_SHARE = 0.8;

    private final Plant plant;
    private final VehicleUnknowns vehicle;
    private final Deviations deviations;

    RodPlay(Plant plant, VehicleUnknowns vehicle, Deviations deviations) {
        this.plant = plant;
        this.vehicle = vehicle;
        this.deviations = deviations;
    }

    private double soundFreePlayMm() {
        return plant.input.freePlayMm() * vehicle.factors().freePlay();
    }

    /**
     * How far pushed-in rods cover the holes, mm at the rod; 0 where their play takes it. The pedal's play lies before
     * an assist, so it takes nothing of a rod that stands out of it.
     */
    double preLoadBeyondPlayMm(Section section) {
        double before = deviations.preLoadBeforeAssistMm(section)
                - soundFreePlayMm() / plant.input.ratioAtRest()
                - PORT_SHARE * plant.master.portTravelMm();
        double behind =
                deviations.preLoadBehindAssistMm(section) - vehicle.letGo().outputGapMm();
        return Math.max(0, before) + Math.max(0, behind);
    }

    /** Rod travel before any pressure, mm. */
    double lostMotionMm(Section section, double assistLashMm) {
        double mm = soundFreePlayMm() / plant.input.ratioAtRest()
                + plant.master.portTravelMm()
                + vehicle.lost().motionMm()
                + assistLashMm
                - deviations.preLoadMm(section);
        return Math.max(LEAST_LOST_MM, mm) + deviations.lostMotionMm();
    }

    /** Play felt at the pedal or lever tip, mm. */
    double freePlayMm(Section section) {
        double feltMm = deviations.lostMotionMm[Rod.PEDAL_ROD.ordinal()]
                + BUSH_FELT_SHARE * deviations.lostMotionMm[Rod.LEVER_BUSH.ordinal()];
        double pressedMm = deviations.preLoadMm(section)
                - deviations.preLoadMm[Rod.OUTPUT_ROD.ordinal()]
                - deviations.assistProudMm;
        return Math.max(0, soundFreePlayMm() + (feltMm - pressedMm) * plant.input.ratioAtRest());
    }
}
