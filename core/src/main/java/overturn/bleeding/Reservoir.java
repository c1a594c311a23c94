package overturn.bleeding;

import java.util.List;
import overturn.bleeding.BleedEvent.Level;
import overturn.bleeding.BleedEvent.Strokes;
import overturn.circuit.Layout;

/**
 * Where the level stands after each stroke. Fluid per stroke is foreseen from the master's bore and stroke, and learned
 * from each level that is entered with strokes since the one before.
 *
 * @param aboveMinimumMl where it is believed to stand, mL above the minimum mark
 * @param strokeMl what one stroke is believed to take at the end that is bled next
 * @param safeStrokes strokes that leave it above the minimum, or below the maximum where it is filled from an end, even
 *     if each moves {@link #SURELY} more
 */
public record Reservoir(double aboveMinimumMl, double strokeMl, int safeStrokes) {

    /** A person's strokes differ from the foreseen volume by no more than this; docs/trade-figures.md. */
    private static final double SURELY = 1.3;
    /** Share of the master's stroke that a person uses on a pedal blocked from the floor; docs/trade-figures.md. */
    private static final double STROKE_SHARE = 0.6;
    /** A level entered counts as so many strokes against the foreseen volume; estimate. */
    private static final double FORESEEN_STROKES = 4;

    /** Fluid of one stroke at an end before anything was learned, mL. */
    static double foreseenStrokeMl(Layout layout, String end, Schools.Method method) {
        return layout.master().strokeMl(layout.chamberOf(end)) * STROKE_SHARE * method.share();
    }

    static Reservoir of(Layout layout, List<BleedEvent> events, String next, Schools.Method method) {
        double level = layout.reservoir().minToMaxMl();
        double foreseenSince = 0;
        int strokesSince = 0;
        double foreseenAll = 0;
        double takenAll = 0;
        boolean known = false;
        double learned = 1;
        for (BleedEvent event : events) {
            if (event instanceof Strokes strokes && strokes.method().fills()) {
                level += learned * strokes.count() * foreseenStrokeMl(layout, strokes.endId(), strokes.method());
            } else if (event instanceof Strokes strokes) {
                foreseenSince += strokes.count() * foreseenStrokeMl(layout, strokes.endId(), strokes.method());
                strokesSince += strokes.count();
            } else if (event instanceof Level entered) {
                if (known && strokesSince > 0 && entered.aboveMinimumMl() < level) {
                    takenAll += level - entered.aboveMinimumMl();
                    foreseenAll += foreseenSince;
                    double doubt = FORESEEN_STROKES * foreseenSince / strokesSince;
                    learned = (takenAll + doubt) / (foreseenAll + doubt);
                }
                level = entered.aboveMinimumMl();
                known = true;
                foreseenSince = 0;
                strokesSince = 0;
            }
        }
        double now = level - learned * foreseenSince;
        double stroke = learned * foreseenStrokeMl(layout, next, method);
        double room = method.fills() ? layout.reservoir().minToMaxMl() - now : level - SURELY * learned * foreseenSince;
        int safe = (int) Math.max(0, Math.floor(room / (SURELY * stroke)));
        return new Reservoir(now, stroke, safe);
    }

    /** Whether fluid has to be added before the next stroke, or taken out where it is filled from an end. */
    public boolean topUpNow() {
        return safeStrokes < 1;
    }
}
