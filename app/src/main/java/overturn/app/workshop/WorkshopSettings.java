package overturn.app.workshop;

import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import overturn.app.job.Bleeding;
import overturn.planning.Prices;
import overturn.planning.Workshop;
import overturn.procedure.Procedure.RigKind;
import overturn.repair.WorkSchools;
import overturn.suspect.Remedy;

/**
 * What the workshop told of itself. Every change is a new version; jobs are assessed with the latest.
 *
 * @param version how often it was told; 0 before the first time
 * @param name what stands at the head of its reports; empty where it told none
 * @param lacks tools it does not have
 * @param helper whether a second person is at hand
 * @param lift whether there is a lift
 * @param bleeding how it bleeds where the maker says nothing
 * @param schools the ways it has chosen where practitioners differ
 * @param rate labour rate in its own currency; empty where only minutes count
 * @param prices its own minutes and prices of remedies; the others have the plain ones
 * @param learning whether its closed jobs move the frequencies
 */
public record WorkshopSettings(
        int version,
        String name,
        Set<RigKind> lacks,
        boolean helper,
        boolean lift,
        Bleeding bleeding,
        WorkSchools schools,
        Optional<Rate> rate,
        Map<Remedy, Price> prices,
        Learning learning) {

    public static final WorkshopSettings PLAIN = new WorkshopSettings(
            0, "", Set.of(), true, true, Bleeding.USUAL, WorkSchools.USUAL, Optional.empty(), Map.of(), Learning.USUAL);

    public WorkshopSettings {
        lacks = Set.copyOf(lacks);
        prices = Map.copyOf(prices);
    }

    /**
     * Whether closed jobs move the frequencies, and what those of other workshops weigh.
     *
     * @param weights of what was taken from elsewhere, 0 to 1, by its id; what is not named weighs nothing
     */
    public record Learning(boolean on, Map<UUID, Double> weights) {

        public static final Learning USUAL = new Learning(true, Map.of());

        public Learning {
            weights = Map.copyOf(weights);
        }
    }

    /** The same with another learning. */
    public WorkshopSettings learning(Learning other) {
        return new WorkshopSettings(version, name, lacks, helper, lift, bleeding, schools, rate, prices, other);
    }

    /** The same as the version after this. */
    public WorkshopSettings next() {
        return new WorkshopSettings(version + 1, name, lacks, helper, lift, bleeding, schools, rate, prices, learning);
    }

    /** Labour rate per hour. */
    public record Rate(String currency, double perHour) {

        /** What minutes come to. */
        public double of(double minutes) {
            return perHour * minutes / 60;
        }
    }

    /** A remedy: minutes of labour, and its parts as minutes of labour. */
    public record Price(double labourMinutes, double partsMinutes) {}

    /** The workshop's own price of a remedy, or the plain one. */
    public Price priceOf(Remedy remedy) {
        return prices.getOrDefault(remedy, new Price(remedy.labourMinutes(), remedy.partsPriceMinutes()));
    }

    /** What the planner needs to know of it. */
    public Workshop forPlanning() {
        Map<Remedy, Double> all = new EnumMap<>(Remedy.class);
        for (Remedy remedy : Remedy.values()) {
            all.put(remedy, priceOf(remedy).labourMinutes() + priceOf(remedy).partsMinutes());
        }
        Prices plain = Prices.DEFAULT;
        return new Workshop(
                lacks,
                helper,
                lift,
                new Prices(
                        all,
                        plain.comebackMinutes(),
                        plain.inVainMinutes(),
                        plain.doubtMinutesPerNat(),
                        plain.proofMinutes()));
    }
}
