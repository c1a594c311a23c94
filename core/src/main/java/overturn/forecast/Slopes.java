package overturn.forecast;

import java.util.concurrent.atomic.AtomicReferenceArray;

/**
 * How each figure of a test changes with what a vehicle may have otherwise and how bad its fault is: regressed over the
 * vehicles of a suspect, per standard deviation.
 */
final class Slopes {

    /** Place of the severity of the first fault, behind the traits; definition. */
    private static final int FIRST = Traits.COUNT;
    /** Place of that of the second; definition. */
    private static final int SECOND = FIRST + 1;
    /** Place of what all travels are off together; definition. */
    private static final int TRAVELS = SECOND + 1;
    /**
     * Traits of the vehicle, how bad the first fault is, and the second, and what all travels are off together;
     * definition.
     */
    static final int DIRECTIONS = TRAVELS + 1;

    private final Traits traits;
    private final Predictions predictions;
    private final AtomicReferenceArray<double[][]> known;

    Slopes(Traits traits, Predictions predictions, int suspects) {
        this.traits = traits;
        this.predictions = predictions;
        this.known = new AtomicReferenceArray<>(suspects);
    }

    /**
     * By direction, the change of each figure; a fault that does not show in the test changes none.
     *
     * @param told what may be the matter
     * @param shown what of it shows in the test
     */
    double[][] of(Hypothesis told, Hypothesis shown) {
        double[][] sound = of(predictions.sound());
        boolean showsFirst = shown.has(told.first());
        boolean showsSecond = told.isPair() && shown.has(told.second());
        double[][] first = showsFirst ? of(told.first()) : sound;
        double[][] second = showsSecond ? of(told.second()) : sound;
        double[][] directions = new double[DIRECTIONS][predictions.width()];
        for (int k = 0; k < predictions.width(); k++) {
            for (int j = 0; j < Traits.COUNT; j++) {
                directions[j][k] = first[k][j] + second[k][j] - sound[k][j];
            }
            directions[FIRST][k] = showsFirst ? first[k][Traits.COUNT] : 0;
            directions[SECOND][k] = showsSecond ? second[k][Traits.COUNT] : 0;
            directions[TRAVELS][k] = predictions.noise().offWithItsVehicle(k) / Leeway.REACH;
        }
        return directions;
    }

    /** By figure, the slopes along each trait and along the severity. */
    private double[][] of(int suspect) {
        double[][] own = known.get(suspect);
        if (own == null) {
            own = new double[predictions.width()][];
            double[] figures = new double[Particles.PARTICLES];
            for (int k = 0; k < own.length; k++) {
                for (int i = 0; i < figures.length; i++) {
                    figures[i] = predictions.value(suspect, i, k);
                }
                own[k] = traits.slopes(suspect, figures);
            }
            known.set(suspect, own);
        }
        return own;
    }
}
