package overturn.forecast;

import java.util.Arrays;
import org.hipparchus.linear.CholeskyDecomposition;
import org.hipparchus.linear.MatrixUtils;
import org.hipparchus.linear.RealMatrix;
import overturn.numeric.SharedOffsetNormal.Tangent;

/**
 * The leeway of each particle of a hypothesis: it stands for vehicles a little stiffer, wider, worse. What all readings
 * ask for together is worked out along a few directions, and integrated over a normal neighbourhood in closed form.
 * Readings are added one by one, for which it is not thread-safe.
 */
public final class Leeway {

    /** How far a particle's neighbourhood reaches, in standard deviations of the particles; estimate. */
    static final double REACH = 0.5;

    /** As many as there are slopes; definition. */
    private static final int DIRECTIONS = Slopes.DIRECTIONS;
    /** Rounding that a symmetric matrix may show; chosen. */
    private static final double ASYMMETRY = 1e-9;
    /** Pivot below which a direction is not told from none; chosen. */
    private static final double LEAST_PIVOT = 1e-10;

    private final double[] logs;
    private final double[][] slopes;
    private final double[][] plain;
    private final double[][] doubled;

    /** Of no reading at all. */
    public Leeway() {
        this(
                new double[Particles.PARTICLES],
                new double[DIRECTIONS][Particles.PARTICLES],
                new double[DIRECTIONS][DIRECTIONS],
                new double[DIRECTIONS][DIRECTIONS]);
    }

    /**
     * @param logs log likelihood by particle
     * @param slopes its change by direction and particle
     * @param plain its curvature by direction and direction where noise is as it should be
     * @param doubled the same where noise is twice as bad
     */
    private Leeway(double[] logs, double[][] slopes, double[][] plain, double[][] doubled) {
        this.logs = logs;
        this.slopes = slopes;
        this.plain = plain;
        this.doubled = doubled;
    }

    /** The same, to add more to. */
    public Leeway copy() {
        return new Leeway(logs.clone(), copy(slopes), copy(plain), copy(doubled));
    }

    private static double[][] copy(double[][] rows) {
        return Arrays.stream(rows).map(double[]::clone).toArray(double[][]::new);
    }

    /** Log likelihood of one particle on its own vehicle. */
    public double log(int particle) {
        return logs[particle];
    }

    /** Adds a share of the log likelihoods of one reading by particle. */
    public void add(double share, double[] row) {
        addScaled(logs, share, row);
    }

    /**
     * Adds a share of the slopes and curvatures of one reading.
     *
     * @param seen figures that were read, NaN where none was taken
     * @param means what each particle predicts, one after another
     * @param normal how the likelihood changes on a particle whose noise is as it should be
     * @param noisy the same where it is twice as bad
     */
    public void add(double share, double[] seen, float[] means, Particles particles, Tangent normal, Tangent noisy) {
        double[] quiet = new double[Particles.PARTICLES];
        double[] loud = new double[Particles.PARTICLES];
        for (int k = 0; k < seen.length; k++) {
            if (!Double.isNaN(seen[k])) {
                for (int i = 0; i < quiet.length; i++) {
                    double apart = share * (seen[k] - means[i * seen.length + k]);
                    quiet[i] = particles.noisy(i) ? 0 : apart;
                    loud[i] = particles.noisy(i) ? apart : 0;
                }
                for (int j = 0; j < DIRECTIONS; j++) {
                    addScaled(slopes[j], normal.pull(k, j), quiet);
                    addScaled(slopes[j], noisy.pull(k, j), loud);
                }
            }
        }
        for (int j = 0; j < DIRECTIONS; j++) {
            addScaled(plain[j], share, normal.curvature()[j]);
            addScaled(doubled[j], share, noisy.curvature()[j]);
        }
    }

    private static void addScaled(double[] sums, double scale, double[] terms) {
        for (int i = 0; i < sums.length; i++) {
            sums[i] += scale * terms[i];
        }
    }

    private static void addProducts(double[] sums, double[] one, double[] other) {
        for (int i = 0; i < sums.length; i++) {
            sums[i] += one[i] * other[i];
        }
    }

    /** Log likelihood per particle, its neighbourhood counted in. */
    public double[] logs(Particles particles) {
        double[][] covariance = new double[DIRECTIONS][DIRECTIONS];
        double plainLog = shrink(plain, covariance);
        double[] plainGains = gains(covariance);
        double doubledLog = shrink(doubled, covariance);
        double[] doubledGains = gains(covariance);
        double[] all = new double[Particles.PARTICLES];
        for (int i = 0; i < all.length; i++) {
            all[i] = logs[i] + (particles.noisy(i) ? doubledGains[i] / 2 - doubledLog : plainGains[i] / 2 - plainLog);
        }
        return all;
    }

    /** By particle, its slopes squared through a covariance. */
    private double[] gains(double[][] covariance) {
        double[] gains = new double[Particles.PARTICLES];
        double[] along = new double[Particles.PARTICLES];
        for (int j = 0; j < DIRECTIONS; j++) {
            Arrays.fill(along, 0);
            for (int l = 0; l < j; l++) {
                addScaled(along, covariance[j][l] + covariance[l][j], slopes[l]);
            }
            addScaled(along, covariance[j][j], slopes[j]);
            addProducts(gains, along, slopes[j]);
        }
        return gains;
    }

    /**
     * Inverse of the curvature with that of the neighbourhood; returns half the log of the determinant against the
     * neighbourhood alone.
     */
    private static double shrink(double[][] curvature, double[][] covariance) {
        RealMatrix sum = MatrixUtils.createRealIdentityMatrix(DIRECTIONS);
        for (int j = 0; j < DIRECTIONS; j++) {
            for (int l = 0; l < DIRECTIONS; l++) {
                sum.addToEntry(j, l, REACH * REACH * (curvature[j][l] + curvature[l][j]) / 2);
            }
        }
        CholeskyDecomposition decomposed = new CholeskyDecomposition(sum, ASYMMETRY, LEAST_PIVOT);
        RealMatrix inverse = decomposed.getSolver().getInverse();
        for (int j = 0; j < DIRECTIONS; j++) {
            for (int l = 0; l < DIRECTIONS; l++) {
                covariance[j][l] = REACH * REACH * inverse.getEntry(j, l);
            }
        }
        return Math.log(decomposed.getDeterminant()) / 2;
    }
}
