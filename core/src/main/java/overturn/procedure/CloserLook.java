package overturn.procedure;

import static overturn.procedure.ObservationTable.seen;

import java.util.List;
import java.util.Map;
import overturn.protocol.Act.Sample;
import overturn.protocol.Sensed;

/** A look that sees one quantity and little else, so that its table is a single curve. */
final class CloserLook {

    static final double FALSELY_SEEN = 0.006;
    static final double MOST_SEEN = 0.985;

    private static final Map<String, Needed[]> AT_HAND = Map.of(
            "runout-dialled", new Needed[] {Needed.DIAL_GAUGE},
            "pistons-measured", new Needed[] {Needed.RULE},
            "screws-looked-at", new Needed[] {Needed.LAMP},
            "ends-papered", new Needed[] {Needed.CLEANER},
            "hoses-papered", new Needed[] {Needed.CLEANER},
            "joints-papered", new Needed[] {Needed.CLEANER},
            "reservoir-papered", new Needed[] {Needed.CLEANER});

    private CloserLook() {}

    /**
     * The look.
     *
     * @param options what is seen when there is nothing, and when there is something
     * @param half amount that is seen by half
     * @param sensed the first, less all others
     */
    static Procedure of(
            String id,
            VehicleNeeds needs,
            double minutes,
            List<String> options,
            double half,
            List<String> observes,
            List<Step> steps,
            Sensed... sensed) {
        Sample[] samples = new Sample[sensed.length];
        for (int i = 0; i < sensed.length; i++) {
            samples[i] = new Sample(sensed[i]);
        }
        return TestDraft.sensing(id, samples)
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
                .steps(steps);
    }
}
