package overturn.app.vehicle;

import java.time.Instant;
import java.util.UUID;

/**
 * Something found out about a vehicle.
 *
 * @param sequence its place in the vehicle's log, from 1
 */
public record VehicleEntry(UUID id, int sequence, Instant at, String personId, Fact fact) {

    /** What was found out. */
    public sealed interface Fact {}

    /** The distance on its counter. */
    public record DistanceRead(String text, String unit, double km) implements Fact {}

    /** A figure measured on it; {@code value} in the core's unit of that dimension. */
    public record FigureMeasured(String what, String text, String unit, double value) implements Fact {}

    /**
     * A figure of the maker's data sheet; the latest of its kind holds.
     *
     * @param what stable id, the word {@code sheet.<id>}
     * @param text as the source has it, unit and all
     * @param source where it was read
     */
    public record SheetFigure(String what, String text, String source) implements Fact {}

    /** A remark about the vehicle, not about one of its jobs. */
    public record Remark(String text) implements Fact {}

    /** A fact written by a later version. */
    public record NotUnderstood(String kind) implements Fact {}
}
