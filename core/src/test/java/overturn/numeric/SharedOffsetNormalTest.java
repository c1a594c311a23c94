package overturn.numeric;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import org.junit.jupiter.api.Test;

/** Densities against figures worked by hand. */
class SharedOffsetNormalTest {

    private static double density(double[] seen, double offsetSd) {
        return new SharedOffsetNormal(seen, new double[] {1, 2}, offsetSd).logDensity(new float[] {0, 0}, 0);
    }

    @Test
    void withoutOffsetItIsTheProductOfIndependentNormals() {
        double byHand = -0.5 * (1 + 1) - Math.log(2 * Math.PI) - Math.log(2);
        assertEquals(byHand, density(new double[] {1, 2}, 0), 1e-12);
    }

    @Test
    void withAnOffsetItIsTheCorrelatedNormal() {
        // covariance [[10, 9], [9, 13]], determinant 49, inverse [[13, -9], [-9, 10]] / 49
        double quadratic = (13 * 3 * 3 - 2 * 9 * 3 * 3 + 10 * 3 * 3) / 49.0;
        double byHand = -0.5 * (quadratic + Math.log(49)) - Math.log(2 * Math.PI);
        assertEquals(byHand, density(new double[] {3, 3}, 3), 1e-12);
    }

    @Test
    void aFigureThatWasNotTakenIsLeftOut() {
        double alone = new SharedOffsetNormal(new double[] {1}, new double[] {1}, 3).logDensity(new float[] {0}, 0);
        assertEquals(alone, density(new double[] {1, Double.NaN}, 3), 1e-12);
    }

    /**
     * Against differences: moving the means along a direction changes the log density as gradient and curvature say.
     */
    @Test
    void theTangentIsThatOfTheDensity() {
        SharedOffsetNormal normal =
                new SharedOffsetNormal(new double[] {3, Double.NaN, 5}, new double[] {1, 1, 2}, 0.7);
        double[][] directions = {{1, 4, 0.5}, {-0.3, 0, 2}};
        SharedOffsetNormal.Tangent tangent = normal.tangent(directions);
        float[] means = {2, 9, 3};
        for (int j = 0; j < 2; j++) {
            double here = normal.logDensity(means, 0);
            double up = normal.logDensity(moved(means, directions[j], 0.25), 0);
            double down = normal.logDensity(moved(means, directions[j], -0.25), 0);
            assertEquals((up - down) / 0.5, (3 - 2) * tangent.pull(0, j) + (5 - 3) * tangent.pull(2, j), 1e-5);
            assertEquals(0, tangent.pull(1, j), "not taken");
            assertEquals(-(up - 2 * here + down) / 0.0625, tangent.curvature()[j][j], 1e-4);
        }
        assertEquals(tangent.curvature()[0][1], tangent.curvature()[1][0], 1e-12);
    }

    private static float[] moved(float[] means, double[] direction, double by) {
        float[] moved = means.clone();
        for (int k = 0; k < moved.length; k++) {
            moved[k] += (float) (by * direction[k]);
        }
        return moved;
    }

    @Test
    void logSpaceAddsWithoutUnderflow() {
        assertEquals(-2000 + Math.log(2), LogSpace.add(-2000, -2000), 2e-6);
        assertEquals(-2000 + Math.log(3), LogSpace.sum(new double[] {-2000, -2000, -2000}), 1e-12);
        assertArrayEquals(
                new double[] {0.25, 0.75}, LogSpace.normalised(new double[] {-1000, -1000 + Math.log(3)}), 1e-12);
        assertThrows(IllegalStateException.class, () -> LogSpace.normalised(new double[] {Double.NEGATIVE_INFINITY}));
    }

    @Test
    void manyTermsAreSummedRoughly() {
        double[] logs = java.util.stream.IntStream.range(0, 300)
                .mapToDouble(i -> -1000 - 0.17 * i)
                .toArray();
        assertEquals(LogSpace.sum(logs), LogSpace.roughSum(logs), 1e-5);
        double[] against = LogSpace.against(-1000, logs);
        assertEquals(1, against[0]);
        for (int i = 0; i < 117; i++) {
            assertEquals(Math.exp(-0.17 * i), against[i], 1e-5 * Math.exp(-0.17 * i));
        }
        assertArrayEquals(
                new double[] {1, Math.exp(-3), 0, 0},
                LogSpace.against(2, new double[] {2, -1, -30, Double.NEGATIVE_INFINITY}),
                1e-6);
    }
}
