package overturn.forecast;

import java.util.function.IntToDoubleFunction;
import java.util.stream.IntStream;

/**
 * How the particles of each suspect lie in one test, figure by figure: their spread, how far they stray from nothing
 * wrong, and all suspects together.
 */
final class Scatter {

    private final float[][] values;
    private final int sound;
    private final int width;
    private final double[][] spreads;
    private final double[][] strays;
    private final float[] means;
    private final double[] widest;

    /** @param values by suspect, the figures of all particles one after another */
    Scatter(float[][] values, int sound, int width) {
        this.values = values;
        this.sound = sound;
        this.width = width;
        this.spreads = new double[values.length][width];
        this.strays = new double[values.length][width];
        this.means = new float[width];
        this.widest = new double[width];
        for (int k = 0; k < width; k++) {
            summarise(k);
        }
    }

    private void summarise(int k) {
        double ofSound = meanOf(sound, k);
        double[] own = new double[values.length];
        double mean = 0;
        for (int s = 0; s < own.length; s++) {
            own[s] = leftAlone(s) ? ofSound : meanOf(s, k);
            mean += own[s] / own.length;
        }
        means[k] = (float) mean;
        widest[k] = meanSquare(sound, k, mean);
        spreads[sound][k] = spread(widest[k], ofSound - mean);
        for (int s = 0; s < own.length; s++) {
            if (leftAlone(s)) {
                spreads[s][k] = spreads[sound][k];
            } else if (s != sound) {
                double square = meanSquare(s, k, mean);
                widest[k] = Math.max(widest[k], square);
                spreads[s][k] = spread(square, own[s] - mean);
                strays[s][k] = strayOf(s, k);
            }
        }
    }

    private static double spread(double meanSquare, double apart) {
        return Math.sqrt(Math.max(0, meanSquare - apart * apart));
    }

    private double meanOf(int suspect, int k) {
        double sum = 0;
        for (int at = k; at < values[suspect].length; at += width) {
            sum += values[suspect][at];
        }
        return sum / Particles.FORESEEN;
    }

    private double meanSquare(int suspect, int k, double from) {
        double sum = 0;
        for (int at = k; at < values[suspect].length; at += width) {
            double apart = values[suspect][at] - from;
            sum += apart * apart;
        }
        return sum / Particles.FORESEEN;
    }

    private double strayOf(int suspect, int k) {
        double sum = 0;
        for (int at = k; at < values[suspect].length; at += width) {
            sum += Math.abs(values[suspect][at] - values[sound][at]);
        }
        return sum / Particles.FORESEEN;
    }

    /** Whether no particle of a suspect reads anything but nothing wrong. */
    boolean leftAlone(int suspect) {
        return suspect != sound && values[suspect] == values[sound];
    }

    /** Standard deviation of one figure among the vehicles of a suspect. */
    double spread(int suspect, int figure) {
        return spreads[suspect][figure];
    }

    /** How far a suspect strays from nothing wrong on the same vehicle, on average. */
    double stray(int suspect, int figure) {
        return strays[suspect][figure];
    }

    /** Whether a suspect strays by at least this in any figure. */
    boolean strays(int suspect, IntToDoubleFunction least) {
        return IntStream.range(0, width).anyMatch(k -> strays[suspect][k] >= least.applyAsDouble(k));
    }

    /** Mean of each figure over all suspects. */
    float[] means() {
        return means;
    }

    /** Mean square distance from that mean of the suspect that lies farthest. */
    double widestSquare(int figure) {
        return widest[figure];
    }
}
