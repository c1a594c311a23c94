package overturn.simulation;

import org.jspecify.annotations.Nullable;
import overturn.circuit.Component;
import overturn.circuit.Component.Hose;
import overturn.circuit.Component.MeteringValve;
import overturn.circuit.Component.ProportioningValve;
import overturn.circuit.End;
import overturn.circuit.End.DrumEnd;
import overturn.circuit.End.Slave;

/**
 * What one chamber swallows, volume against pressure (docs/physics.md): clearances taken up by a first pressure,
 * progressive stiffness, hoses, fluid and air; what lies behind a valve at that valve's pressure, what lies behind a
 * restriction later.
 */
final class ChamberLoad {

    /** Compressibility of brake fluid, 1/bar: 0.012 mL/bar per 200 mL (docs/trade-figures.md A). */
    static final double FLUID_PER_BAR = 0.012 / 200;

    /** Share of the air in an end that stays after ten slow strokes; estimate. */
    private static final double LEFT_AFTER_BLEEDING = 0.1;

    /** Share of the stroke that the master can displace; estimate. */
    private static final double MASTER_CHAMBER_SHARE = 0.9;
    /** Pressure by which vapour is pressed away, bar; estimate. */
    private static final double VAPOUR_TAKE_UP_BAR = 2.5;
    /** mL of vapour per °C above boiling and hot end, and the most of it; estimates. */
    private static final double VAPOUR_ML_PER_C = 0.06;

    /** Vapour that can form in one chamber, mL; estimate. */
    private static final double MOST_VAPOUR_ML = 6;

    private final Bundle direct = new Bundle();
    private @Nullable Bundle valved;
    private boolean metering;
    private double valveBar;
    private double valveSlope;
    private @Nullable Bundle slow;
    private double slowSeconds;
    /** Fluid that warms up with the ends, mL. */
    private double hotMl;

    /** @param taken whether pushed-back pads and drained-back fluid have been taken up by an earlier press */
    static ChamberLoad of(
            Plant plant,
            Section section,
            int chamber,
            VehicleUnknowns vehicle,
            Deviations deviations,
            boolean taken,
            double heatC,
            double[] airLetInMl) {
        ChamberLoad load = new ChamberLoad();
        double chamberMl = MASTER_CHAMBER_SHARE * plant.boreMm2 * plant.strokeLimitMm[chamber] / 1000;
        double fluidMl = chamberMl + section.fluidMl[chamber];
        for (int e : section.ends[chamber]) {
            load.addEnd(plant, e, vehicle, deviations, taken, heatC, section.shoesSet);
            fluidMl += plant.ends[e].fluidMl();
            load.hotMl += plant.ends[e].fluidMl() * (plant.ends[e] instanceof DrumEnd ? 0.5 : 1);
        }
        for (int h : section.hoses[chamber]) {
            Hose hose = (Hose) plant.parts[h];
            load.bundle(plant, h, deviations)
                    .addElastic(hose.swellMlPerBar()
                            * vehicle.factors().stiffness()
                            * vehicle.ownStiffness(h)
                            * Deviations.factorAt(deviations.swellFactor, h));
        }
        load.direct.addElastic(fluidMl * FLUID_PER_BAR);
        double[] air = deviations.airMl[chamber];
        for (int i = 0; i < air.length; i++) {
            if (air[i] > 0 && section.reaches(chamber, i)) {
                load.direct.airMl += air[i] * leftAfterBleeding(plant.parts[i], section, deviations, i);
            }
        }
        for (int i = 0; i < airLetInMl.length; i++) {
            if (airLetInMl[i] > 0 && section.reaches(chamber, i)) {
                load.direct.airMl += airLetInMl[i];
            }
        }
        if (!taken) {
            load.direct.addTakenUp(deviations.drainBackMl[chamber], 0.3);
        }
        return load;
    }

    /** Share of the air in a part that is still there: out of an end with its screw on top nearly all has gone. */
    private static double leftAfterBleeding(Component part, Section section, Deviations deviations, int number) {
        boolean gone = part instanceof End end
                && section.bled(end.rear())
                && Deviations.at(deviations.screwBelow, number) == 0;
        return gone ? LEFT_AFTER_BLEEDING : 1;
    }

    private Bundle bundle(Plant plant, int part, Deviations deviations) {
        int valve = plant.valve[part];
        if (valve == Plant.NONE) {
            return direct;
        }
        if (valved == null) {
            valved = new Bundle();
            if (plant.parts[valve] instanceof ProportioningValve limiting) {
                valveBar = limiting.kneeBar() * Deviations.factorAt(deviations.kneeFactor, valve);
                valveSlope = limiting.slope();
            } else {
                metering = true;
                valveBar = ((MeteringValve) plant.parts[valve]).opensAtBar()
                        * Deviations.factorAt(deviations.kneeFactor, valve);
            }
        }
        return valved;
    }

    private void addEnd(
            Plant plant,
            int e,
            VehicleUnknowns vehicle,
            Deviations deviations,
            boolean taken,
            double heatC,
            boolean shoesSet) {
        End end = plant.ends[e];
        int part = plant.endPart[e];
        double seconds = restriction(plant, e, deviations);
        Bundle bundle = bundle(plant, part, deviations);
        if (seconds > 0) {
            slow = slow == null ? new Bundle() : slow;
            slowSeconds = Math.max(slowSeconds, seconds);
            bundle = slow;
        }
        double size = Deviations.factorAt(deviations.pistonFactor, part);
        bundle.addEnd(
                end,
                part,
                vehicle,
                size,
                Deviations.at(deviations.extraShoeMm, part),
                shoesSet,
                taken ? 0 : Deviations.at(deviations.pushedBackMm, part));
        if (heatC > 0 && !(end instanceof Slave)) {
            double aboveBoilingC = 20 + heatC * (end instanceof DrumEnd ? 0.6 : 1) - boilingC(deviations.waterPercent);
            bundle.addTakenUp(
                    Math.max(0, Math.min(MOST_VAPOUR_ML, aboveBoilingC * VAPOUR_ML_PER_C)), VAPOUR_TAKE_UP_BAR);
        }
    }

    /** Boiling point of glycol fluid with some water: 250 °C new, 163 at 3 % (docs/trade-figures.md A). */
    static double boilingC(double waterPercent) {
        return 140 + 110 * Math.exp(-waterPercent / 1.9);
    }

    static double restriction(Plant plant, int e, Deviations deviations) {
        if (deviations.restrictionSeconds.length == 0) {
            return 0;
        }
        double seconds = 0;
        for (int part : plant.upstream[e]) {
            seconds += deviations.restrictionSeconds[part];
        }
        return seconds;
    }

    /** Pressure behind the valve, if there is one. */
    double behindValve(double bar) {
        if (metering) {
            return bar < valveBar ? 0 : bar;
        }
        return bar <= valveBar ? bar : valveBar + valveSlope * (bar - valveBar);
    }

    double hotMl() {
        return hotMl;
    }

    private double arrived(double seconds) {
        return seconds > 12 * slowSeconds ? 1 : 1 - Math.exp(-seconds / slowSeconds);
    }

    /** Volume swallowed at a pressure some seconds after it was put on, mL. */
    double swallowedMl(double bar, boolean parkingBrakeOn, double seconds) {
        double ml = direct.swallowedMl(bar, parkingBrakeOn);
        if (valved != null) {
            ml += valved.swallowedMl(behindValve(bar), parkingBrakeOn);
        }
        if (slow != null) {
            ml += slow.swallowedMl(bar, parkingBrakeOn) * arrived(seconds);
        }
        return ml;
    }

    /** The share of it that relaxes with time: what is elastic, not what is clearance or air. */
    double elasticMl(double bar) {
        double ml = direct.elasticMl(bar);
        if (valved != null) {
            ml += valved.elasticMl(behindValve(bar));
        }
        if (slow != null) {
            ml += slow.elasticMl(bar);
        }
        return ml;
    }

    /** Volume still out in the ends and in bubbles at once after release, mL. */
    double lingeringMl(double bar, boolean parkingBrakeOn) {
        return direct.lingeringMl(bar, parkingBrakeOn)
                + (valved == null ? 0 : valved.lingeringMl(behindValve(bar), parkingBrakeOn))
                + (slow == null ? 0 : slow.lingeringMl(bar, parkingBrakeOn));
    }

    boolean changesWithTime() {
        return slow != null;
    }

    /** Pressure at which this much is swallowed, bar, between 0 and {@code most}. */
    double pressureFor(double ml, double most) {
        return Roots.between(0, most, bar -> swallowedMl(bar, false, Double.POSITIVE_INFINITY) - ml);
    }
}
