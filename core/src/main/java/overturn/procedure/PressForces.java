package overturn.procedure;

import overturn.circuit.Component.Pedal;
import overturn.circuit.Component.TandemMaster;
import overturn.circuit.Layout;

/**
 * Pedal forces chosen by the line pressure they give on this layout with a dead assist, rounded to 10 N, so that a gentle hold
 * really presses (handbook 03: gentle 3 to 8 bar, medium 15 to 30, firm 50 and up with the engine).
 *
 * @param gentleN about 5 bar
 * @param easyN   about 9 bar
 * @param strokeN about 13 bar, for pumping
 * @param mediumN about 22 bar
 * @param runningN force for the hold with the engine running
 */
public record PressForces(double gentleN, double easyN, double strokeN, double mediumN, double runningN) {

    private static final double FOOT_WITH_ENGINE_N = 150;

    public static PressForces of(Layout layout) {
        return new PressForces(forBar(layout, 5), forBar(layout, 9), forBar(layout, 13), forBar(layout, 22), FOOT_WITH_ENGINE_N);
    }

    private static double forBar(Layout layout, double bar) {
        TandemMaster master = layout.only(TandemMaster.class);
        double rodN = bar * master.areaMm2() / 10 + master.springsN();
        return 10 * Math.round(rodN / layout.only(Pedal.class).ratio() / 10);
    }
}
