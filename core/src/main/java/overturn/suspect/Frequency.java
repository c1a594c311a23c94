package overturn.suspect;

import overturn.circuit.Family;

/** Per cent of all complaints, one figure per family; 0 where a family has no such suspect. */
record Frequency(
        double vacuumBrake,
        double unassistedBrake,
        double hydraulicBrake,
        double pedalClutch,
        double concentricClutch,
        double leverBrake,
        double leverClutch) {

    static Frequency of(
            double vacuumBrake,
            double unassistedBrake,
            double hydraulicBrake,
            double pedalClutch,
            double concentricClutch,
            double leverBrake,
            double leverClutch) {
        return new Frequency(
                vacuumBrake, unassistedBrake, hydraulicBrake, pedalClutch, concentricClutch, leverBrake, leverClutch);
    }

    double in(Family family) {
        return switch (family) {
            case VACUUM_BRAKE -> vacuumBrake;
            case UNASSISTED_BRAKE -> unassistedBrake;
            case HYDRAULIC_BRAKE -> hydraulicBrake;
            case PEDAL_CLUTCH -> pedalClutch;
            case CONCENTRIC_CLUTCH -> concentricClutch;
            case LEVER_BRAKE -> leverBrake;
            case LEVER_CLUTCH -> leverClutch;
        };
    }
}
