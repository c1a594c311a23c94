package overturn.simulation;

import java.util.List;

/**
 * What earlier tests left behind in a vehicle.
 *
 * @param reserveShare reserve in the assist, 0 spent to 1 full
 * @param heatC how far the ends are above the air, °C
 * @param trappedMl fluid kept in behind covered holes, per chamber
 * @param swollenMl the part of it that warmth added and cooling takes away, per chamber
 * @param closedChamberMl fluid in the modulator's closed chambers, per chamber
 * @param airLetInMl air let in at opened joints, per part of the layout; empty where none was opened
 * @param padsTakenUp whether pushed-back pads and drained-back fluid have been taken up
 * @param sweptMm deepest travel of each piston so far: cups dragged over bore not swept before can be hurt by it
 */
public record VehicleCondition(
        double reserveShare,
        double heatC,
        List<Double> trappedMl,
        List<Double> swollenMl,
        List<Double> closedChamberMl,
        List<Double> airLetInMl,
        boolean padsTakenUp,
        List<Double> sweptMm) {

    private static final List<Double> NOTHING = List.of(0.0, 0.0);

    /** Engine off, reserve spent, cold, shut, rested: the default before any test. */
    public static final VehicleCondition RESTED =
            new VehicleCondition(0, 0, NOTHING, NOTHING, NOTHING, List.of(), false, NOTHING);

    public VehicleCondition {
        trappedMl = List.copyOf(trappedMl);
        swollenMl = List.copyOf(swollenMl);
        closedChamberMl = List.copyOf(closedChamberMl);
        airLetInMl = List.copyOf(airLetInMl);
        sweptMm = List.copyOf(sweptMm);
    }

    /** The same once everything is made again, the assist spent, and it has cooled: how a test finds the vehicle. */
    public VehicleCondition ready() {
        List<Double> coldMl = List.of(trappedMl.get(0) - swollenMl.get(0), trappedMl.get(1) - swollenMl.get(1));
        return new VehicleCondition(0, 0, coldMl, NOTHING, closedChamberMl, List.of(), padsTakenUp, NOTHING);
    }

    /** The same after everything opened has been bled. */
    public VehicleCondition bled() {
        return new VehicleCondition(
                reserveShare, heatC, trappedMl, swollenMl, closedChamberMl, List.of(), padsTakenUp, sweptMm);
    }
}
