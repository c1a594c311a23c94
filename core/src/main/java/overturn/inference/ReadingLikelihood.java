package overturn.inference;

import overturn.evidence.Reading;
import overturn.numeric.LogSpace;
import overturn.procedure.Procedure;

/** The log likelihoods of one reading for all particles of any hypothesis, each row worked out once. */
final class ReadingLikelihood {

    private final Reading reading;
    private final Predictions predictions;
    private final double[] encoded;
    private final Crowd crowd;
    private final boolean sometimes;
    private final LayoutModel model;
    private final Hypothesis sound;
    private final double logLied;
    private final Rows rows;

    private ReadingLikelihood(LayoutModel model, Reading reading, Predictions predictions, boolean sometimes) {
        this.model = model;
        this.reading = reading;
        this.predictions = predictions;
        this.encoded = predictions.encode(reading.value());
        this.crowd = model.crowd();
        this.sometimes = sometimes;
        this.sound = Hypothesis.single(model.sound());
        this.logLied = predictions.logLied(encoded);
        this.rows = new Rows(model.suspects().size(), (hypothesis, time) -> computed(hypothesis, time, Crowd.PARTICLES));
    }

    /**
     * @param sometimes whether the fault may not have been there during this test
     * @throws IllegalArgumentException if the layout has no such test
     */
    static ReadingLikelihood of(LayoutModel model, Reading reading, boolean sometimes) {
        Procedure procedure = model.procedures().find(reading.procedureId()).orElseThrow(() ->
                new IllegalArgumentException("Test " + reading.procedureId() + " is not in layout " + model.layout().id()));
        return new ReadingLikelihood(model, reading, model.predictions(procedure), sometimes);
    }

    Reading reading() {
        return reading;
    }

    double logLied() {
        return logLied;
    }

    /** Log likelihood per particle if the rig told the truth; what was remedied before no longer shows. */
    double[] row(Hypothesis told, int time) {
        return rows.of(told.after(reading.after(), model.suspects(), model.sound()), time);
    }

    /** The same for the first few particles, not kept: a first look at a hypothesis. */
    double[] firstLook(Hypothesis told, int particles) {
        return computed(told.after(reading.after(), model.suspects(), model.sound()), 0, particles);
    }

    private double[] computed(Hypothesis hypothesis, int time, int count) {
        double[] row = predictions.logLikelihoods(encoded, hypothesis, time, count);
        if (hypothesis.isNoneOfThese()) {
            for (int i = 0; i < count; i++) {
                double share = Crowd.unlistedShare(i);
                row[i] = LogSpace.add(Math.log1p(-share) + row[i], Math.log(share) + logLied);
            }
        } else if (sometimes && !hypothesis.equals(sound)) {
            double[] without = rows.of(sound, time);
            for (int i = 0; i < count; i++) {
                double there = crowd.occurrence(i);
                row[i] = LogSpace.add(Math.log(there) + row[i], Math.log1p(-there) + without[i]);
            }
        }
        return row;
    }
}
