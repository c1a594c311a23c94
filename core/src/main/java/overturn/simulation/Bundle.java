package overturn.simulation;

import org.jspecify.annotations.Nullable;
import overturn.circuit.End;
import overturn.circuit.End.DiscEnd;
import overturn.circuit.End.DrumEnd;
import overturn.circuit.End.Slave;
import overturn.quantity.Atmosphere;

/** Everything that swallows fluid at one and the same pressure. */
final class Bundle {

    /** Pressure over which an end goes from soft to firm, bar; estimate. */
    private static final double STIFFENING_BAR = 25;
    /** Share of a pad's and a shoe's clearance still out at once after release; estimates. */
    private static final double PAD_LINGERS = 0.5;

    /** Share of what the air swallows that is still out at once after release; estimate. */
    private static final double AIR_LINGERS = 0.6;
    /** Clearance left to shoes that are set until they just rub: they rub at one spot; estimate. */
    private static final double SET_CLOSE_SHARE = 0.3;
    /** Share of a drum's clearance that the parking brake takes up; estimate. */
    private static final double PARKING_BRAKE_SHARE = 0.85;

    double airMl;
    private double padMl;
    private double padTakeUpBar = 1;
    private double shoeMl;
    private double shoeTakeUpBar = 1;
    private double parkingMl;
    private double lingeringMl;
    private double extraMl;
    private double extraTakeUpBar = 1;
    private double softMlPerBar;
    private double firmMlPerBar;
    private @Nullable Slave slave;
    private double slaveSize;

    void addElastic(double mlPerBar) {
        softMlPerBar += mlPerBar;
        firmMlPerBar += mlPerBar;
    }

    /** Volume that a first pressure takes up once. */
    void addTakenUp(double ml, double byBar) {
        extraMl += ml;
        extraTakeUpBar = Math.max(byBar, ml > 0 ? byBar : extraTakeUpBar);
    }

    void addEnd(
            End end,
            int part,
            VehicleUnknowns vehicle,
            double size,
            double extraShoeMm,
            boolean shoesSet,
            double pushedBackMm) {
        double stiffness = vehicle.factors().stiffness() * vehicle.ownStiffness(part);
        softMlPerBar += end.softMlPerBar() * stiffness * size;
        firmMlPerBar += end.firmMlPerBar() * stiffness * size;
        if (end instanceof DrumEnd drum) {
            double ownMm = drum.clearancePerShoeMm() * vehicle.factors().shoeClearance() * vehicle.ownClearance(part);
            double ml = size * drum.clearanceMl(shoesSet ? ownMm * SET_CLOSE_SHARE : ownMm + extraShoeMm);
            shoeMl += ml;
            shoeTakeUpBar = end.takeUpBar();
            parkingMl += drum.parkingBrake() ? ml * PARKING_BRAKE_SHARE : 0;
            lingeringMl += ml;
        } else if (end instanceof DiscEnd disc) {
            double ml = size * end.clearanceMl() * vehicle.factors().padClearance() * vehicle.ownClearance(part);
            padMl += ml;
            padTakeUpBar = end.takeUpBar();
            lingeringMl += ml * PAD_LINGERS;
            addTakenUp(size * disc.pistonAreaMm2() * 2 * pushedBackMm / 1000, end.takeUpBar());
        } else if (end instanceof Slave only) {
            slave = only;
            slaveSize = size;
        }
    }

    double swallowedMl(double bar, boolean parkingBrakeOn) {
        double shoesMl = shoeMl - (parkingBrakeOn ? parkingMl : 0);
        return padMl * Math.min(1, bar / padTakeUpBar)
                + shoesMl * Math.min(1, bar / shoeTakeUpBar)
                + extraMl * Math.min(1, bar / extraTakeUpBar)
                + elasticMl(bar)
                + airAt(bar)
                + (slave == null ? 0 : slaveSize * slave.areaMm2() * slave.strokeAt(bar) / 1000);
    }

    double elasticMl(double bar) {
        return firmMlPerBar * bar
                + (softMlPerBar - firmMlPerBar) * STIFFENING_BAR * (1 - Math.exp(-bar / STIFFENING_BAR));
    }

    double lingeringMl(double bar, boolean parkingBrakeOn) {
        double clearanceMl = lingeringMl - (parkingBrakeOn ? parkingMl : 0);
        return Math.max(0, clearanceMl) * Math.min(1, bar / Math.max(shoeTakeUpBar, padTakeUpBar))
                + AIR_LINGERS * airAt(bar);
    }

    /** Isothermal: V0 · p / (p0 + p), docs/physics.md. */
    private double airAt(double bar) {
        return airMl == 0 ? 0 : airMl * bar / (Atmosphere.BAR + bar);
    }
}
