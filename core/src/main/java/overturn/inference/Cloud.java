package overturn.inference;

import overturn.numeric.LogSpace;

/** Weights of the particles of one hypothesis, against the heaviest. */
record Cloud(double logHeaviest, float[] relative, double sum) {

    static Cloud of(double logPrior, double[] row) {
        double highest = LogSpace.highest(row);
        double[] against = LogSpace.against(highest, row);
        float[] relative = new float[row.length];
        double sum = 0;
        for (int i = 0; i < row.length; i++) {
            relative[i] = (float) against[i];
            sum += relative[i];
        }
        return new Cloud(logPrior - Math.log(row.length) + highest, relative, sum);
    }

    /** Share of the weight of the hypothesis that one particle has. */
    double share(int particle) {
        return relative[particle] / sum;
    }

    double logEvidence() {
        return logHeaviest + Math.log(sum);
    }

    /** Share of the weight on which a rig lied, from the log likelihoods that it lied and that it lied or not. */
    double lying(double logLied, double[] row) {
        double[] chances = new double[row.length];
        for (int i = 0; i < row.length; i++) {
            chances[i] = row[i] - logLied;
        }
        LogSpace.expOfMinus(chances);
        double lying = 0;
        for (int i = 0; i < row.length; i++) {
            lying += relative[i] * chances[i];
        }
        return lying / sum;
    }
}
