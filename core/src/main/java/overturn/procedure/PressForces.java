package overturn.procedure;

import java.util.Optional;
import overturn.circuit.End.Slave;
import overturn.circuit.Layout;

/**
 * Forces at pedal or lever chosen by the line pressure they give on this layout with a dead assist, rounded to 10 N (5
 * N at a lever), so that a gentle hold really presses (docs/method.md: gentle 3 to 8 bar, medium 15 to 30, firm 50 and
 * up with the engine).
 *
 * @param gentleN about 5 bar
 * @param easyN about 9 bar
 * @param strokeN about 13 bar, for pumping
 * @param mediumN about 22 bar
 * @param runningN force for the hold with the engine running
 */
public record PressForces(double gentleN, double easyN, double strokeN, double mediumN, double runningN) {

    /** A working press with the engine running, N; estimate (docs/trade-figures.md). */
    private static final double FOOT_WITH_ENGINE_N = 150;

    public static PressForces of(Layout layout) {
        Optional<Slave> slave = layout.all(Slave.class).stream().findFirst();
        if (slave.isPresent()) {
            double biteBar = slave.get().biteBar();
            return new PressForces(
                    forBar(layout, 0.4 * biteBar),
                    forBar(layout, 0.7 * biteBar),
                    forBar(layout, biteBar),
                    forBar(layout, (biteBar + slave.get().fullBar()) / 2),
                    FOOT_WITH_ENGINE_N);
        }
        return new PressForces(
                forBar(layout, 5), forBar(layout, 9), forBar(layout, 13), forBar(layout, 22), FOOT_WITH_ENGINE_N);
    }

    private static double forBar(Layout layout, double bar) {
        double rodN = bar * layout.master().areaMm2() / 10 + layout.master().springsN();
        double step = layout.family().lever() ? 5 : 10;
        return step * Math.round(rodN / layout.input().ratioAtRest() / step);
    }
}
