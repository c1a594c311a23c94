package overturn.simulation;

import overturn.circuit.Chamber;
import overturn.circuit.Component;
import overturn.circuit.Component.DiscEnd;
import overturn.circuit.Component.DrumEnd;
import overturn.circuit.Component.End;
import overturn.circuit.Component.Hose;
import overturn.circuit.Component.Modulator;
import overturn.circuit.Component.Pipe;
import overturn.circuit.Layout;
import overturn.suspect.Fault;
import overturn.suspect.Fault.ExcessShoeClearance;
import overturn.suspect.Fault.HoseSwelling;
import overturn.suspect.Fault.TrappedAir;

/**
 * What one chamber swallows, volume against pressure (handbook 04): clearances taken up by a first pressure, progressive
 * stiffness, hoses, fluid and air.
 */
final class ChamberLoad {

    /** Pressure over which an end goes from soft to firm, bar; estimate. */
    private static final double STIFFENING_BAR = 25;
    /** Compressibility of brake fluid, 1/bar: 0.012 mL/bar per 200 mL (handbook 09 A). */
    private static final double FLUID_PER_BAR = 0.012 / 200;
    private static final double MASTER_CHAMBER_ML = 6;
    private static final double CALIPER_ML = 30;
    private static final double DRUM_CYLINDER_ML = 6;
    private static final double AMBIENT_BAR = 1.013;

    private double padClearanceMl;
    private double padTakeUpBar = 1;
    private double shoeClearanceMl;
    private double shoeTakeUpBar = 1;
    private double parkingBrakeMl;
    private double lingeringClearanceMl;
    private double softMlPerBar;
    private double firmMlPerBar;
    private double airMl;

    static ChamberLoad of(Layout layout, Section section, Chamber chamber, VehicleUnknowns vehicle, Iterable<Fault> faults) {
        ChamberLoad load = new ChamberLoad();
        double fluidMl = MASTER_CHAMBER_ML;
        for (Component component : layout.components()) {
            if (!section.reaches(chamber, component.id())) {
                continue;
            }
            if (component instanceof End end) {
                load.addEnd(end, vehicle, faults);
                fluidMl += end instanceof DiscEnd ? CALIPER_ML : DRUM_CYLINDER_ML;
            } else if (component instanceof Hose hose) {
                load.addElastic(hose.swellMlPerBar() * vehicle.stiffness() * swellingFactor(hose.id(), faults));
            } else if (component instanceof Pipe pipe) {
                fluidMl += pipe.fluidMl();
            } else if (component instanceof Modulator modulator) {
                fluidMl += modulator.fluidMl();
            }
        }
        load.addElastic(fluidMl * FLUID_PER_BAR);
        for (Fault fault : faults) {
            if (fault instanceof TrappedAir air && air.chamber() == chamber && section.reaches(chamber, air.componentId())) {
                load.airMl += air.ml();
            }
        }
        return load;
    }

    private void addElastic(double mlPerBar) {
        softMlPerBar += mlPerBar;
        firmMlPerBar += mlPerBar;
    }

    private void addEnd(End end, VehicleUnknowns vehicle, Iterable<Fault> faults) {
        softMlPerBar += end.softMlPerBar() * vehicle.stiffness();
        firmMlPerBar += end.firmMlPerBar() * vehicle.stiffness();
        if (end instanceof DrumEnd drum) {
            double ml = drum.clearanceMl(drum.clearancePerShoeMm() * vehicle.shoeClearance() + excessMm(drum.id(), faults));
            shoeClearanceMl += ml;
            shoeTakeUpBar = end.takeUpBar();
            parkingBrakeMl += ml * end.parkingBrakeShare();
            lingeringClearanceMl += ml * end.lingeringShare();
        } else {
            double ml = end.clearanceMl() * vehicle.padClearance();
            padClearanceMl += ml;
            padTakeUpBar = end.takeUpBar();
            lingeringClearanceMl += ml * end.lingeringShare();
        }
    }

    private static double excessMm(String drumId, Iterable<Fault> faults) {
        double mm = 0;
        for (Fault fault : faults) {
            if (fault instanceof ExcessShoeClearance excess && excess.drumIds().contains(drumId)) {
                mm += excess.extraPerShoeMm();
            }
        }
        return mm;
    }

    private static double swellingFactor(String hoseId, Iterable<Fault> faults) {
        double factor = 1;
        for (Fault fault : faults) {
            if (fault instanceof HoseSwelling swelling && swelling.hoseIds().contains(hoseId)) {
                factor *= swelling.factor();
            }
        }
        return factor;
    }

    /** Volume swallowed at a pressure, mL. */
    double swallowedMl(double bar, boolean parkingBrakeOn) {
        double shoesMl = shoeClearanceMl - (parkingBrakeOn ? parkingBrakeMl : 0);
        return padClearanceMl * Math.min(1, bar / padTakeUpBar)
                + shoesMl * Math.min(1, bar / shoeTakeUpBar)
                + elasticMl(bar)
                + compressedAirMl(bar);
    }

    /** The share of it that relaxes with time: what is elastic, not what is clearance or air. */
    double elasticMl(double bar) {
        return firmMlPerBar * bar + (softMlPerBar - firmMlPerBar) * STIFFENING_BAR * (1 - Math.exp(-bar / STIFFENING_BAR));
    }

    /** Volume still out in the ends and in bubbles at once after release, mL. */
    double lingeringMl(double bar, boolean parkingBrakeOn) {
        double clearanceMl = lingeringClearanceMl - (parkingBrakeOn ? parkingBrakeMl : 0);
        return Math.max(0, clearanceMl) * Math.min(1, bar / shoeTakeUpBar) + 0.6 * compressedAirMl(bar);
    }

    private double compressedAirMl(double bar) {
        return airMl * bar / (AMBIENT_BAR + bar);
    }
}
