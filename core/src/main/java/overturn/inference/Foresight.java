package overturn.inference;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import overturn.forecast.Channel;
import overturn.forecast.Hypothesis;
import overturn.forecast.LayoutModel;
import overturn.forecast.Particles;
import overturn.procedure.Procedure;
import overturn.suspect.Cure;

/**
 * What tests may be expected to show, before they are done: a belief thinned to a few particles, and for any test the
 * joint chances of its outcomes and the cures. Deterministic for equal beliefs.
 */
public final class Foresight {

    /** Particles by which a hypothesis is foreseen at most; chosen for speed. */
    private static final int MOST_PARTICLES = 12;
    /**
     * Hypotheses that hardly matter are kept with few particles: a proof has to move odds even against them; chosen.
     */
    private static final int FEWEST_PARTICLES = 2;

    /** Share below which a hypothesis is left out of foreseeing; chosen. */
    private static final double NEGLIGIBLE = 0.002;
    /** Least probability that is divided by; chosen. */
    private static final double LEAST_PROBABILITY = 1e-9;

    private final LayoutModel model;
    private final boolean sometimes;
    private final List<Cure> cures;
    private final List<Kept> kept;

    /** One particle kept, its weight and the index of its cure. */
    private record Kept(Hypothesis hypothesis, int particle, double weight, int cure) {}

    private Foresight(LayoutModel model, boolean sometimes, List<Cure> cures, List<Kept> kept) {
        this.model = model;
        this.sometimes = sometimes;
        this.cures = cures;
        this.kept = kept;
    }

    /** Thins the particles of the present belief by weight, keeping each hypothesis' share. */
    public static Foresight of(BeliefHistory history) {
        Belief belief = history.now();
        LayoutModel model = belief.model();
        Map<Cure, Integer> cures = new LinkedHashMap<>();
        List<Kept> kept = new ArrayList<>();
        for (int h = 0; h < belief.hypotheses().size(); h++) {
            int cure = cures.computeIfAbsent(belief.cure(belief.hypotheses().get(h)), c -> cures.size());
            thin(belief, h, cure, kept);
        }
        return new Foresight(model, history.intake().sometimes(), List.copyOf(cures.keySet()), kept);
    }

    private static void thin(Belief belief, int h, int cure, List<Kept> kept) {
        Hypothesis hypothesis = belief.hypotheses().get(h);
        Hypothesis left = belief.left(hypothesis);
        boolean negligible = belief.share(h) < NEGLIGIBLE;
        if (negligible && hypothesis.isPair()) {
            return;
        }
        double total = Math.max(LEAST_PROBABILITY, belief.share(h));
        double share = total / (negligible ? FEWEST_PARTICLES : MOST_PARTICLES);
        double next = share / 2;
        double cumulated = 0;
        double[] foreseen = belief.foreseen(h);
        for (int i = 0; i < Particles.FORESEEN; i++) {
            cumulated += foreseen[i];
            int picked = 0;
            while (cumulated >= next && next < total) {
                picked++;
                next += share;
            }
            if (picked > 0) {
                kept.add(new Kept(left, i, picked * share, cure));
            }
        }
    }

    /** The cures that are possible; the columns of every table of outcomes. */
    public List<Cure> cures() {
        return cures;
    }

    /** Present probability of each cure. */
    public double[] shares() {
        double[] shares = new double[cures.size()];
        kept.forEach(one -> shares[one.cure] += one.weight);
        return shares;
    }

    /** Chance of each outcome of a test when any suspect is as likely as any other. */
    public double[] overall(Procedure procedure) {
        return model.channel(procedure).overall();
    }

    /** Joint chances of outcome and cure: a row per outcome of the test, a column per cure. */
    public double[][] outcomes(Procedure procedure) {
        Channel channel = model.channel(procedure);
        double[][] joint = new double[channel.outcomes()][cures.size()];
        double[] row = new double[channel.outcomes()];
        for (Kept one : kept) {
            double there = sometimes ? model.particles().occurrence(one.particle) : 1;
            channel.chances(one.hypothesis, one.particle, model.sound(), there, row);
            for (int m = 0; m < row.length; m++) {
                joint[m][one.cure] += one.weight * row[m];
            }
        }
        return joint;
    }
}
