package overturn.planning;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import overturn.evidence.Reading;
import overturn.forecast.LayoutModel;
import overturn.inference.BeliefHistory;
import overturn.measurement.RigTrust;
import overturn.procedure.Procedure;
import overturn.suspect.Cure;
import overturn.suspect.Remedy;

/** What a proof asks for: how belief has to be spread, and which readings may carry it. */
public final class Proof {

    /** Share that a remedy has to carry (docs/method.md). */
    public static final double SHARE = 0.98;
    /** By how much a reading must move odds by itself to carry a proof; docs/method.md. */
    public static final double CARRYING_FACTOR = 3;

    /**
     * Probability below which a rival counts as separated (docs/method.md: a reading that separates the suspect from
     * every live rival); a fault in no list is one of them.
     */
    public static final double SEPARATED_SHARE = 0.012;

    /**
     * Probability that nothing beyond the cure is needed, from which on it is not asked further; the proving finds the
     * rest; chosen.
     */
    public static final double ENOUGH_SHARE = 0.85;

    /** Part of a remedy's probability from which on a suspect is one for which it is wanted; chosen. */
    private static final double LEADING_PART = 0.2;

    /** Least share that is divided by; chosen. */
    private static final double NOTHING = 1e-12;

    private Proof() {}

    /**
     * A cure in what is believed.
     *
     * @param probability that every remedy of it is needed
     * @param enough probability that nothing beyond it is needed, of the cases in which what it holds is needed
     * @param rivals remedies, not beside it but instead of it, that are still likely enough to name
     */
    public record Claim(double probability, double enough, List<Remedy> rivals) {

        public Claim {
            rivals = List.copyOf(rivals);
        }

        /** Whether belief alone leaves nothing to ask: what was read has to carry it besides. */
        public boolean holds() {
            return probability >= SHARE && enough >= ENOUGH_SHARE && rivals.isEmpty();
        }
    }

    /**
     * What is claimed of a cure where belief is spread over cures like this.
     *
     * @param shares of each cure of the list, in any scale
     */
    public static Claim claim(List<Cure> cures, double[] shares, Cure cure) {
        double total = 0;
        double needed = 0;
        double alone = 0;
        Map<Remedy, Double> instead = new EnumMap<>(Remedy.class);
        for (int c = 0; c < shares.length; c++) {
            Cure other = cures.get(c);
            total += shares[c];
            if (other.includes(cure)) {
                needed += shares[c];
                alone += other.equals(cure) ? shares[c] : 0;
            } else {
                for (Remedy remedy : other.remedies()) {
                    instead.merge(remedy, shares[c], Double::sum);
                }
            }
        }
        double named = SEPARATED_SHARE * total;
        return new Claim(
                needed / total,
                alone / Math.max(NOTHING, needed),
                instead.entrySet().stream()
                        .filter(e -> !cure.has(e.getKey()) && e.getValue() > named)
                        .map(Map.Entry::getKey)
                        .toList());
    }

    /**
     * Shares of cures as a proof weighs them: a moderate misfit counts for little in what is believed, since the model
     * misses as often as the vehicle is odd, but what is called proven has to stand against all of it.
     *
     * @param shares of each cure of the list, in any scale
     */
    public static double[] untempered(List<Cure> cures, double[] shares, double untemperedRise) {
        double[] raised = shares.clone();
        for (int c = 0; c < raised.length; c++) {
            raised[c] *= cures.get(c).has(Remedy.LOOK_ELSEWHERE) ? untemperedRise : 1;
        }
        return raised;
    }

    /**
     * Whether a reading of this test can carry the proof of a remedy: it isolates or looks at the fault itself, and can
     * tell from nothing wrong a suspect for which the remedy is wanted.
     */
    public static boolean canCarry(BeliefHistory history, Procedure procedure, Remedy remedy) {
        LayoutModel model = history.model();
        double wanted = LEADING_PART * history.now().probability(remedy);
        return IntStream.range(0, model.suspects().size())
                .anyMatch(s -> model.suspects().get(s).remedy() == remedy
                        && history.now().probability(s) >= wanted
                        && procedure.canCarry(model.suspects().get(s).id())
                        && model.tells(procedure, s));
    }

    /** Indexes of the readings that carry a remedy: isolating or directly observing, and moving its odds. */
    public static List<Integer> carriers(BeliefHistory history, Remedy remedy) {
        LayoutModel model = history.model();
        return IntStream.range(0, history.readings().size())
                .boxed()
                .filter(i -> canCarry(
                        history,
                        model.procedures()
                                .find(history.readings().get(i).procedureId())
                                .orElseThrow(),
                        remedy))
                .filter(i -> history.ownFactor(i, remedy) >= CARRYING_FACTOR)
                .toList();
    }

    /** Whether the rig of a carrying reading is proven, or the reading was repeated with another. */
    public static boolean rigStands(BeliefHistory history, int carrier) {
        Reading reading = history.readings().get(carrier);
        return reading.trust() == RigTrust.PROVEN
                || history.readings().stream()
                        .anyMatch(r -> r.repeats(reading) && !r.rigSetup().equals(reading.rigSetup()));
    }

    /** Whether every remedy of a cure is carried by a reading whose rig stands. */
    static boolean carried(BeliefHistory history, Cure cure) {
        return cure.remedies().stream()
                .allMatch(r -> carriers(history, r).stream().anyMatch(i -> rigStands(history, i)));
    }

    /** Whether it can carry the proof of any remedy of a cure. */
    public static boolean canCarry(BeliefHistory history, Procedure procedure, Cure cure) {
        return cure.remedies().stream().anyMatch(remedy -> canCarry(history, procedure, remedy));
    }
}
