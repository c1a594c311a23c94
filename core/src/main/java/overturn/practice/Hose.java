package overturn.practice;

import overturn.bleeding.BleedEvent.Bubbles;
import overturn.bleeding.BleedEvent.Colour;

/**
 * What was seen in the bleed hose at an end.
 *
 * @param strokes so many in a row
 * @param bubbles none where not one came in all of them, otherwise how it ran at the end
 */
public record Hose(String endId, int strokes, Bubbles bubbles, Colour colour) {

    /** Air in one stroke from which on an eye sees bubbles, mL; estimate. */
    private static final double SEEN_ML = 0.012;
    /** Air in one stroke from which on they are called many, mL; estimate. */
    private static final double MANY_ML = 0.12;

    /**
     * @param mostMl most air that came with one of the strokes, mL
     * @param lastMl air that came with the last, mL
     * @param old whether what comes is still the fluid that was in there
     */
    static Hose seen(String endId, int strokes, double mostMl, double lastMl, boolean old) {
        return new Hose(
                endId,
                strokes,
                !seen(mostMl) ? Bubbles.NONE : lastMl > MANY_ML ? Bubbles.MANY : Bubbles.FEW,
                old ? Colour.DARK : Colour.CLEAR);
    }

    /** Whether an eye sees bubbles where so much air comes with a stroke, mL. */
    static boolean seen(double airMl) {
        return airMl > SEEN_ML;
    }
}
