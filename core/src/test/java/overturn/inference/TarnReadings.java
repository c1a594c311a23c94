package overturn.inference;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import overturn.evidence.Reading;
import overturn.forecast.LayoutModel;
import overturn.measurement.ReadingValue.Figures;
import overturn.measurement.ReadingValue.Observed;
import overturn.measurement.RigTrust;
import overturn.quantity.MeasureUnit;
import overturn.quantity.TypedQuantity;
import overturn.support.Models;

/** Readings of a Tarn van written down by hand, and what is believed after them. */
final class TarnReadings {

    static final LayoutModel MODEL = Models.tarn();

    static Belief belief(Reading... readings) {
        return BeliefHistory.of(MODEL, Intake.UNKNOWN, List.of(readings)).now();
    }

    static Reading observed(String test, String option, String setup, RigTrust trust) {
        return new Reading(test + setup, test, new Observed(option), setup, trust);
    }

    static Reading figures(String test, String setup, RigTrust trust, Double... mm) {
        List<Optional<TypedQuantity>> taken = new ArrayList<>();
        for (Double value : mm) {
            taken.add(Optional.ofNullable(value).map(v -> new TypedQuantity(v.toString(), MeasureUnit.MILLIMETRE, v)));
        }
        return new Reading(test + setup, test, new Figures(taken), setup, trust);
    }

    static final Reading SINKING = figures("hold-medium", "tape", RigTrust.PROVEN, 36.0, 40.0, 45.0, 55.0);
    static final Reading SINKS = observed("characterise", "sinks", "eye-0", RigTrust.NORMAL);
    static final Reading DRY = observed("dry-walk", "all-dry", "eye", RigTrust.NORMAL);

    private TarnReadings() {}
}
