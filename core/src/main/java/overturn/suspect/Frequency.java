package overturn.suspect;

import java.util.EnumMap;
import java.util.Map;
import overturn.circuit.Family;

/** Per cent of all complaints, one figure per family; 0 where a family has no such suspect. */
record Frequency(Map<Family, Double> percent) {

    /** In no family; the start of every figure. */
    static final Frequency NONE = new Frequency(Map.of());

    Frequency vacuumBrake(double percent) {
        return with(Family.VACUUM_BRAKE, percent);
    }

    Frequency unassistedBrake(double percent) {
        return with(Family.UNASSISTED_BRAKE, percent);
    }

    Frequency hydraulicBrake(double percent) {
        return with(Family.HYDRAULIC_BRAKE, percent);
    }

    Frequency pedalClutch(double percent) {
        return with(Family.PEDAL_CLUTCH, percent);
    }

    Frequency concentricClutch(double percent) {
        return with(Family.CONCENTRIC_CLUTCH, percent);
    }

    Frequency leverBrake(double percent) {
        return with(Family.LEVER_BRAKE, percent);
    }

    Frequency leverClutch(double percent) {
        return with(Family.LEVER_CLUTCH, percent);
    }

    private Frequency with(Family family, double figure) {
        Map<Family, Double> all = new EnumMap<>(Family.class);
        all.putAll(percent);
        all.put(family, figure);
        return new Frequency(all);
    }

    double in(Family family) {
        return percent.getOrDefault(family, 0.0);
    }
}
