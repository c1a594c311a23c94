package overturn.inference;

import java.util.List;
import overturn.inference.LayoutModel.Particle;
import overturn.measurement.Figure;
import overturn.measurement.ReadingSpec;
import overturn.measurement.ReadingSpec.Observation;
import overturn.measurement.ReadingSpec.Series;
import overturn.measurement.ReadingValue;
import overturn.measurement.ReadingValue.Figures;
import overturn.measurement.ReadingValue.Observed;
import overturn.numeric.SharedOffsetNormal;
import overturn.procedure.Procedure;
import overturn.simulation.Simulator;

/**
 * What one test reads for every particle of every suspect: figures of a series, or probabilities of observations; and how likely a
 * reading is for each, and if its rig lied.
 */
final class Predictions {

    /** Kernel wider than the instrument's noise, against over-confidence (handbook 05). */
    private static final double KERNEL_WIDTH = 1.4;

    private final Procedure procedure;
    private final int width;
    private final float[][] values;
    private final double[] noiseScales;
    private final double[] sds;
    private final double offsetSd;
    private final float[] overallMeans;
    private final double[] overallSds;

    private Predictions(Procedure procedure, float[][] values, double[] noiseScales) {
        this.procedure = procedure;
        this.width = procedure.width();
        this.values = values;
        this.noiseScales = noiseScales;
        ReadingSpec spec = procedure.spec();
        this.sds = spec instanceof Series series ? series.figures().stream().mapToDouble(Figure::noiseSd).toArray() : new double[0];
        this.offsetSd = spec instanceof Series series ? series.offsetSd() : 0;
        this.overallMeans = new float[width];
        this.overallSds = new double[width];
        summarise();
    }

    static Predictions of(LayoutModel model, Procedure procedure) {
        int suspects = model.suspects().size();
        int width = procedure.width();
        float[][] values = new float[suspects][LayoutModel.PARTICLES * width];
        double[] noiseScales = new double[suspects * LayoutModel.PARTICLES];
        Simulator.Prepared prepared = model.simulator().prepare(procedure.protocol());
        for (int s = 0; s < suspects; s++) {
            List<Particle> own = model.particlesOf(s);
            for (int i = 0; i < own.size(); i++) {
                Particle particle = own.get(i);
                noiseScales[s * LayoutModel.PARTICLES + i] = particle.noiseScale();
                double[] simulated = prepared.run(particle.vehicle(), particle.faults());
                double[] predicted = procedure.predicted(simulated);
                for (int k = 0; k < width; k++) {
                    values[s][i * width + k] = (float) predicted[k];
                }
            }
        }
        return new Predictions(procedure, values, noiseScales);
    }

    /** Mean over all particles, and how far from it the suspect strays that strays most. */
    private void summarise() {
        for (int k = 0; k < width; k++) {
            double sum = 0;
            for (float[] own : values) {
                for (int i = 0; i < LayoutModel.PARTICLES; i++) {
                    sum += own[i * width + k];
                }
            }
            double mean = sum / (values.length * (double) LayoutModel.PARTICLES);
            double widest = 0;
            for (float[] own : values) {
                double squares = 0;
                for (int i = 0; i < LayoutModel.PARTICLES; i++) {
                    squares += (own[i * width + k] - mean) * (own[i * width + k] - mean);
                }
                widest = Math.max(widest, squares / LayoutModel.PARTICLES);
            }
            overallMeans[k] = (float) mean;
            double noise = k < sds.length ? sds[k] * sds[k] + offsetSd * offsetSd : 0;
            overallSds[k] = Math.sqrt(widest + noise);
        }
    }

    int width() {
        return width;
    }

    float value(int suspect, int particle, int figure) {
        return values[suspect][particle * width + figure];
    }

    double noiseScale(int suspect, int particle) {
        return noiseScales[suspect * LayoutModel.PARTICLES + particle];
    }

    /** Whole 1σ of one figure: instrument, datum. */
    double readingSd(int figure) {
        return Math.sqrt(sds[figure] * sds[figure] + offsetSd * offsetSd);
    }

    double figureSd(int figure) {
        return sds[figure];
    }

    double offsetSd() {
        return offsetSd;
    }

    /** Encodes a reading for the likelihoods: figures, or the index of the observation; empty where it says nothing. */
    double[] encode(ReadingValue value) {
        if (value instanceof Figures figures) {
            return figures.coreValues();
        }
        Observed observed = (Observed) value;
        return observed.notSeen() ? new double[0] : new double[] {((Observation) procedure.spec()).options().indexOf(observed.option())};
    }

    /** Log likelihood of an encoded reading for one particle, the rig telling the truth. */
    double logLikelihood(double[] encoded, int suspect, int particle) {
        if (encoded.length == 0) {
            return 0;
        }
        if (sds.length == 0) {
            return Math.log(values[suspect][particle * width + (int) encoded[0]]);
        }
        return SharedOffsetNormal.logDensity(encoded, values[suspect], particle * width, sds, offsetSd,
                KERNEL_WIDTH * noiseScale(suspect, particle));
    }

    /** Log likelihood of an encoded reading if the rig lied: the same for every suspect. */
    double logLied(double[] encoded) {
        if (encoded.length == 0) {
            return 0;
        }
        if (sds.length == 0) {
            return -Math.log(width);
        }
        return SharedOffsetNormal.logDensity(encoded, overallMeans, 0, overallSds, 0, 1);
    }
}
