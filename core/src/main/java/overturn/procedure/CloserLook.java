package overturn.procedure;

import static overturn.procedure.ObservationTable.seen;

import java.util.List;
import java.util.Map;
import overturn.protocol.Act.Sample;
import overturn.protocol.Sensed;

/** Looks that see one quantity each and little else, so that the table of each is a single curve. */
final class CloserLook {

    /** Chance that something is seen that is not there; estimate. */
    static final double FALSELY_SEEN = 0.006;
    /** Chance that something plain is seen; estimate. */
    static final double MOST_SEEN = 0.985;

    private static final Map<String, Needed[]> AT_HAND = Map.of(
            "runout-dialled", new Needed[] {Needed.DIAL_GAUGE},
            "pistons-measured", new Needed[] {Needed.RULE},
            "screws-looked-at", new Needed[] {Needed.LAMP},
            "ends-papered", new Needed[] {Needed.CLEANER},
            "hoses-papered", new Needed[] {Needed.CLEANER},
            "joints-papered", new Needed[] {Needed.CLEANER},
            "reservoir-papered", new Needed[] {Needed.CLEANER});

    private final List<Procedure> all;

    /** Adds looks to this list. */
    CloserLook(List<Procedure> all) {
        this.all = all;
    }

    /**
     * Adds a look where the layout has what it looks at.
     *
     * @param there whether it has
     * @param options what is seen when there is nothing, and when there is something
     * @param half amount that is seen by half
     * @param sensed the first, less all others
     */
    void add(
            boolean there,
            String id,
            VehicleNeeds needs,
            double minutes,
            List<String> options,
            double half,
            List<String> observes,
            List<Step> steps,
            Sensed... sensed) {
        if (!there) {
            return;
        }
        Sample[] samples = new Sample[sensed.length];
        for (int i = 0; i < sensed.length; i++) {
            samples[i] = new Sample(sensed[i]);
        }
        all.add(TestDraft.sensing(id, samples)
                .with(AT_HAND.getOrDefault(id, new Needed[0]))
                .sees(options, found -> {
                    double amount = found[0];
                    for (int i = 1; i < found.length; i++) {
                        amount -= found[i];
                    }
                    double yes =
                            FALSELY_SEEN + (MOST_SEEN - FALSELY_SEEN) * seen(amount * Math.abs(amount), half * half);
                    return new double[] {1 - yes, yes};
                })
                .needs(needs)
                .minutes(minutes)
                .observes(observes.toArray(String[]::new))
                .steps(steps));
    }
}
