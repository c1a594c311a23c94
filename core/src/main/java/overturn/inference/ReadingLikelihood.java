package overturn.inference;

import overturn.evidence.Reading;
import overturn.procedure.Procedure;

/** The log likelihoods of one reading for all particles, worked out once and then combined in many ways. */
final class ReadingLikelihood {

    private final Reading reading;
    private final double[] logTrue;
    private final double logLied;

    private ReadingLikelihood(Reading reading, double[] logTrue, double logLied) {
        this.reading = reading;
        this.logTrue = logTrue;
        this.logLied = logLied;
    }

    /** @throws IllegalArgumentException if the layout has no such test */
    static ReadingLikelihood of(LayoutModel model, Reading reading) {
        Procedure procedure = model.procedures().find(reading.procedureId()).orElseThrow(() ->
                new IllegalArgumentException("Test " + reading.procedureId() + " is not in layout " + model.layout().id()));
        Predictions predictions = model.predictions(procedure);
        double[] encoded = predictions.encode(reading.value());
        double[] logTrue = new double[model.suspects().size() * LayoutModel.PARTICLES];
        for (int s = 0; s < model.suspects().size(); s++) {
            for (int i = 0; i < LayoutModel.PARTICLES; i++) {
                logTrue[s * LayoutModel.PARTICLES + i] = predictions.logLikelihood(encoded, s, i);
            }
        }
        return new ReadingLikelihood(reading, logTrue, predictions.logLied(encoded));
    }

    Reading reading() {
        return reading;
    }

    void addTrueTo(double[] sums, double weight) {
        for (int i = 0; i < sums.length; i++) {
            sums[i] += weight * logTrue[i];
        }
    }

    double logLied() {
        return logLied;
    }
}
