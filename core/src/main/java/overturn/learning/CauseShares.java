package overturn.learning;

import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Predicate;
import overturn.inference.Belief;
import overturn.suspect.Cure;
import overturn.suspect.Suspect;
import overturn.suspect.SuspectCatalogue;

/**
 * What one closed job says of its cause: a share for each suspect, together one. A proven job gives almost all to one
 * suspect, an assumed one spreads it as far as its readings left it open; each job weighs the same, so that a fault
 * does not seem frequent because it is easy to prove (the expectation step of expectation maximisation, Dempster, Laird
 * and Rubin 1977).
 */
public final class CauseShares {

    /** Shares below this are left out; chosen. */
    private static final double LEAST = 0.005;

    private CauseShares() {}

    /**
     * @param before what was believed when the last reading before the repair had been taken
     * @param held what was done and held; empty where the job was given up
     * @return by id of the suspect; empty where no suspect is mended by what was done
     */
    public static Map<String, Double> of(Belief before, Iterable<Suspect> suspects, Optional<Cure> held) {
        Predicate<Suspect> possible = suspect -> held.map(cure -> cure.equals(Cure.HAND_BACK)
                        ? suspect.id().equals(SuspectCatalogue.NOTHING_WRONG)
                        : !suspect.id().equals(SuspectCatalogue.NOTHING_WRONG) && cure.settles(suspect.remedy()))
                .orElse(true);
        Map<String, Double> shares = new TreeMap<>();
        double listed = 0;
        for (Suspect suspect : suspects) {
            if (possible.test(suspect)) {
                double share = before.probability(suspect.id());
                shares.put(suspect.id(), share);
                listed += share;
            }
        }
        double total = listed;
        if (!(total > 0)) {
            return Map.of();
        }
        shares.replaceAll((id, share) -> share / total);
        shares.values().removeIf(share -> share < LEAST);
        return Map.copyOf(shares);
    }
}
