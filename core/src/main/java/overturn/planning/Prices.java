package overturn.planning;

import java.util.EnumMap;
import java.util.Map;
import java.util.Objects;
import overturn.suspect.Cure;
import overturn.suspect.Remedy;

/**
 * What things cost, in minutes of workshop labour, so that no currency is assumed. One setting for everything the
 * planner does.
 *
 * @param remedies labour and parts of each remedy
 * @param comebackMinutes a vehicle handed back that is not cured: the visit, the road, the trust; estimate
 * @param inVainMinutes a remedy done that does not cure, found when the repair is proved: the proving, the start anew;
 *     estimate
 * @param doubtMinutesPerNat price on remaining doubt, so that a test that cannot by itself change the decision still
 *     counts
 * @param proofMinutes most minutes that a proof may cost beyond what the decision needs
 */
public record Prices(
        Map<Remedy, Double> remedies,
        double comebackMinutes,
        double inVainMinutes,
        double doubtMinutesPerNat,
        double proofMinutes) {

    /** Plain defaults; the workshop's own table replaces them. */
    public static final Prices DEFAULT = new Prices(plain(), 300, 60, 300, 100);

    public Prices {
        Map<Remedy, Double> all = new EnumMap<>(remedies);
        for (Remedy remedy : Remedy.values()) {
            if (!(all.getOrDefault(remedy, -1.0) >= 0)) {
                throw new IllegalArgumentException(
                        "Remedy " + remedy.id() + ": price " + all.get(remedy) + " must be 0 minutes or more");
            }
        }
        remedies = Map.copyOf(all);
        if (!(comebackMinutes >= 0 && inVainMinutes >= 0 && doubtMinutesPerNat >= 0 && proofMinutes >= 0)) {
            throw new IllegalArgumentException("Prices " + comebackMinutes + ", " + inVainMinutes + ", "
                    + doubtMinutesPerNat + ", " + proofMinutes + " must be 0 minutes or more");
        }
    }

    private static Map<Remedy, Double> plain() {
        Map<Remedy, Double> all = new EnumMap<>(Remedy.class);
        for (Remedy remedy : Remedy.values()) {
            all.put(remedy, remedy.labourMinutes() + remedy.partsPriceMinutes());
        }
        return all;
    }

    /** Labour and parts of one remedy. */
    public double of(Remedy remedy) {
        return Objects.requireNonNull(remedies.get(remedy));
    }

    /**
     * What is wasted when one cure is done and another is needed: remedies that were not needed, and the comeback if it
     * does not cure.
     */
    public double waste(Cure done, Cure needed) {
        double wasted = done.cures(needed) ? 0 : done.equals(Cure.HAND_BACK) ? comebackMinutes : inVainMinutes;
        if (done.equals(needed)) {
            return 0;
        }
        for (Remedy remedy : done.remedies()) {
            wasted += needed.has(remedy) ? 0 : of(remedy);
        }
        return wasted;
    }
}
