package overturn.simulation;

import java.util.OptionalDouble;
import overturn.circuit.Layout;

/**
 * How far each internal leak can sink a pedal before it ends by itself, mm at the pedal or lever beyond where it stood
 * firm with the ports plugged. The bands overlap, so the stop alone names a part only where they differ
 * (docs/trade-figures.md E).
 *
 * @param primaryMm pistons touch: the primary-piston cup and the second piston's rear cup
 * @param secondaryMm second piston bottoms: its front cup; 0 where there is one chamber
 * @param modulatorMm the closed chamber is full
 */
public record StopDepths(double primaryMm, double secondaryMm, OptionalDouble modulatorMm) {

    /** Depths of a layout, from strokes, bore and ratio alone. */
    public static StopDepths of(Layout layout) {
        double ratio = layout.input().ratioAtRest();
        return new StopDepths(
                layout.master().primaryStrokeMm() * ratio,
                layout.master().secondaryStrokeMm() * ratio,
                layout.modulator()
                        .map(m -> OptionalDouble.of(
                                1000 * m.closedChamberMl() / layout.master().areaMm2() * ratio))
                        .orElse(OptionalDouble.empty()));
    }
}
