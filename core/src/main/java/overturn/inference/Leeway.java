package overturn.inference;

import org.hipparchus.linear.CholeskyDecomposition;
import org.hipparchus.linear.MatrixUtils;
import org.hipparchus.linear.RealMatrix;

/**
 * The leeway of each particle of a hypothesis: it stands for vehicles a little stiffer, wider, worse. What all readings ask for together is worked out
 * along a few directions, and integrated over a normal neighbourhood in closed form. Sums of readings are sums of these rows.
 */
final class Leeway {

    /** How far a particle's neighbourhood reaches, in standard deviations of the crowd; estimate. */
    static final double REACH = 0.5;
    private static final int DIRECTIONS = Slopes.DIRECTIONS;
    /** A row: log likelihoods, then slopes particle by particle, then curvatures at plain and at doubled noise. */
    static final int SLOPES_FROM = Crowd.PARTICLES;
    static final int PLAIN_FROM = SLOPES_FROM + Crowd.PARTICLES * DIRECTIONS;
    static final int DOUBLED_FROM = PLAIN_FROM + DIRECTIONS * DIRECTIONS;
    static final int LENGTH = DOUBLED_FROM + DIRECTIONS * DIRECTIONS;

    private static final double ASYMMETRY = 1e-9;
    private static final double LEAST_PIVOT = 1e-10;

    private Leeway() {
    }

    /** Log likelihood per particle, its neighbourhood counted in. */
    static double[] logs(double[] row, Crowd crowd) {
        double[][] plain = new double[DIRECTIONS][DIRECTIONS];
        double[][] doubled = new double[DIRECTIONS][DIRECTIONS];
        double plainLog = shrink(row, PLAIN_FROM, plain);
        double doubledLog = shrink(row, DOUBLED_FROM, doubled);
        double[] logs = new double[Crowd.PARTICLES];
        for (int i = 0; i < logs.length; i++) {
            double[][] covariance = crowd.noisy(i) ? doubled : plain;
            int at = SLOPES_FROM + i * DIRECTIONS;
            double gain = 0;
            for (int j = 0; j < DIRECTIONS; j++) {
                double sum = 0;
                for (int l = 0; l < DIRECTIONS; l++) {
                    sum += covariance[j][l] * row[at + l];
                }
                gain += sum * row[at + j];
            }
            logs[i] = row[i] + gain / 2 - (crowd.noisy(i) ? doubledLog : plainLog);
        }
        return logs;
    }

    /** Inverse of the curvature with that of the neighbourhood; returns half the log of the determinant against the neighbourhood alone. */
    private static double shrink(double[] row, int from, double[][] covariance) {
        RealMatrix sum = MatrixUtils.createRealIdentityMatrix(DIRECTIONS);
        for (int j = 0; j < DIRECTIONS; j++) {
            for (int l = 0; l < DIRECTIONS; l++) {
                sum.addToEntry(j, l, REACH * REACH * (row[from + j * DIRECTIONS + l] + row[from + l * DIRECTIONS + j]) / 2);
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
