package overturn.suspect;

import overturn.circuit.Family;

/** Per cent of all complaints, one column per family in the order of {@link Family}; 0 where a family has no such suspect. */
record Frequency(double... perFamily) {

    static Frequency of(double vacuum, double unassisted, double hydraulic, double pedalClutch, double concentricClutch, double leverBrake,
                        double leverClutch) {
        return new Frequency(vacuum, unassisted, hydraulic, pedalClutch, concentricClutch, leverBrake, leverClutch);
    }

    double in(Family family) {
        return perFamily[family.ordinal()];
    }
}
