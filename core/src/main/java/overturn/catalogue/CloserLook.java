package overturn.catalogue;

import static overturn.procedure.ObservationTable.seen;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.function.DoubleUnaryOperator;
import overturn.procedure.Needed;
import overturn.procedure.ObservationTable;
import overturn.procedure.Procedure;
import overturn.procedure.Step;
import overturn.procedure.VehicleNeeds;
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

    /** A look, described piece by piece; its steps are said last and add it. */
    Draft at(String id) {
        return new Draft(id);
    }

    /** Unless said otherwise any layout has what it looks at, and it is seen from the seat. */
    final class Draft {

        private final String id;
        private boolean there = true;
        private VehicleNeeds needs = VehicleNeeds.SEAT;
        private double minutes;
        private List<String> options = List.of();
        private DoubleUnaryOperator share = amount -> 0;
        private double mostSeen = MOST_SEEN;
        private String[] suspectIds = {};
        private Sensed[] sensed = {};

        private Draft(String id) {
            this.id = id;
        }

        /** Left out where the layout has nothing to look at. */
        Draft where(boolean has) {
            there = has;
            return this;
        }

        Draft needs(VehicleNeeds state) {
            needs = state;
            return this;
        }

        Draft minutes(double working) {
            minutes = working;
            return this;
        }

        /** What is seen when there is nothing, and when there is something. */
        Draft tells(String nothing, String something) {
            options = List.of(nothing, something);
            return this;
        }

        /** Half of those who look see this amount, hardly anybody a small part of it. */
        Draft halfSeeIt(double half) {
            share = amount -> seen(amount * Math.abs(amount), half * half);
            return this;
        }

        /** Nobody sees less than the first amount, everybody more than the second; negative where less is worse. */
        Draft noneSeeUpToAllFrom(double none, double all) {
            share = amount -> ObservationTable.ramp(none < 0 ? -amount : amount, none, all);
            return this;
        }

        /** Seen by no more than this share however much there is: some of it is out of reach. */
        Draft seenByAtMost(double most) {
            mostSeen = most;
            return this;
        }

        /** The suspects that are looked at. */
        Draft of(String... ids) {
            suspectIds = ids;
            return this;
        }

        /** The amount: the first of these, less all others. */
        Draft senses(Sensed... quantities) {
            sensed = quantities;
            return this;
        }

        void steps(Step... steps) {
            if (there) {
                all.add(TestDraft.sensing(
                                id, Arrays.stream(sensed).map(Sample::new).toArray(Sample[]::new))
                        .with(AT_HAND.getOrDefault(id, new Needed[0]))
                        .sees(options, this::chances)
                        .needs(needs)
                        .minutes(minutes)
                        .observes(suspectIds)
                        .steps(steps));
            }
        }

        private double[] chances(double[] found) {
            double others = Arrays.stream(found).skip(1).sum();
            double yes = FALSELY_SEEN + (mostSeen - FALSELY_SEEN) * share.applyAsDouble(found[0] - others);
            return new double[] {1 - yes, yes};
        }
    }
}
