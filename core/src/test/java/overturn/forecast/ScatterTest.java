package overturn.forecast;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;

class ScatterTest {

    private static final int SOUND = 1;

    /** Half of the particles of each at one value, half at another; two figures, of which the second never moves. */
    private static float[] halves(float one, float other) {
        float[] values = new float[2 * Particles.FORESEEN];
        for (int i = 0; i < Particles.FORESEEN; i++) {
            values[2 * i] = i % 2 == 0 ? one : other;
            values[2 * i + 1] = 5;
        }
        return values;
    }

    private static Scatter scatter() {
        float[] sound = halves(10, 12);
        return new Scatter(new float[][] {halves(14, 20), sound, sound}, SOUND, 2);
    }

    @Test
    void worksOutSpreadAndStrayByHand() {
        Scatter scatter = scatter();
        assertEquals(3, scatter.spread(0, 0), 1e-9, "14 and 20 lie 3 about 17");
        assertEquals(1, scatter.spread(SOUND, 0), 1e-9);
        assertEquals(6, scatter.stray(0, 0), 1e-9, "4 and 8 from nothing wrong");
        assertEquals(0, scatter.stray(SOUND, 0));
        assertEquals(13, scatter.means()[0], 1e-6, "17, 11 and 11");
        assertEquals(25, scatter.widestSquare(0), 1e-9, "1 and 49 about 13");
        assertEquals(0, scatter.widestSquare(1), 1e-9);
    }

    @Test
    void sharesWhatNothingWrongReads() {
        Scatter scatter = scatter();
        assertTrue(scatter.leftAlone(2));
        assertFalse(scatter.leftAlone(0));
        assertFalse(scatter.leftAlone(SOUND));
        assertEquals(scatter.spread(SOUND, 0), scatter.spread(2, 0));
        assertEquals(0, scatter.stray(2, 0));
    }

    @Test
    void straysByTheLeastAskedOfAnyFigure() {
        assertTrue(scatter().strays(0, k -> 6));
        assertFalse(scatter().strays(0, k -> 6.001));
        assertFalse(scatter().strays(2, k -> 1e-9));
    }
}
