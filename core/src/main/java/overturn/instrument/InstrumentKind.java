package overturn.instrument;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import overturn.quantity.Dimension;

/** Instruments that can be put on a vehicle, and how well each tells. */
public enum InstrumentKind {
    PEDAL_FORCE_GAUGE(Dimension.FORCE, 1, 2, 0.5, 0.004),
    TRAVEL_TAPE(Dimension.LENGTH, 0.5, 0.8, 0, 0),
    PRESSURE_GAUGE(Dimension.PRESSURE, 0.2, 0.6, 0.1, 0.004),
    RESERVE_GAUGE(Dimension.PRESSURE, 1, 1, 0.2, 0.004),
    SLAVE_TAPE(Dimension.LENGTH, 0.1, 0.2, 0, 0),
    LEVEL_RULE(Dimension.VOLUME, 1, 1, 0, 0),
    THERMOMETER(Dimension.TEMPERATURE_RISE, 1, 2, 0.3, 0.01),
    VACUUM_GAUGE(Dimension.DEPRESSION, 1, 1, 0.2, 0.004),
    TORQUE_WRENCH(Dimension.TORQUE, 0.1, 0.1, 0, 0),
    /** Shows codes and no figure. */
    CODE_READER;

    /** At rest an instrument may move by so many of its steps; chosen. */
    private static final double MOST_AT_REST_STEPS = 3;
    /** At rest it may stand so many of its usual offsets from nothing; chosen. */
    private static final double MOST_AT_REST_OFFSETS = 6;

    private final Optional<Dimension> dimension;
    private final double resolution;
    private final double offsetSd;
    private final double driftPerMinute;
    private final double dropOutShare;

    /**
     * Resolution, offset, drift in a minute in the core's unit; share of seconds in which it shows nothing; estimates.
     */
    InstrumentKind(
            Dimension dimension, double resolution, double offsetSd, double driftPerMinute, double dropOutShare) {
        this.dimension = Optional.of(dimension);
        this.resolution = resolution;
        this.offsetSd = offsetSd;
        this.driftPerMinute = driftPerMinute;
        this.dropOutShare = dropOutShare;
    }

    InstrumentKind() {
        this.dimension = Optional.empty();
        this.resolution = 0;
        this.offsetSd = 0;
        this.driftPerMinute = 0;
        this.dropOutShare = 0;
    }

    /** Stable id, in small letters with hyphens. */
    public String id() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public static Optional<InstrumentKind> find(String id) {
        return Arrays.stream(values()).filter(kind -> kind.id().equals(id)).findFirst();
    }

    /** Of what it shows figures; a reserve is shown in the unit of its assist. Empty where it shows none. */
    public Optional<Dimension> dimension() {
        return dimension;
    }

    /**
     * The first kind that shows this.
     *
     * @throws IllegalArgumentException if none does
     */
    public static InstrumentKind measuring(Dimension dimension) {
        return Arrays.stream(values())
                .filter(kind -> kind.dimension.equals(Optional.of(dimension)))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("No instrument shows " + dimension));
    }

    /** Whether it can be put on a vehicle and left there. */
    public boolean onVehicle() {
        return this != TORQUE_WRENCH && this != CODE_READER;
    }

    /** At most so far apart is what it shows at rest, in the unit of its dimension. */
    public double mostAtRestSpread() {
        return MOST_AT_REST_STEPS * resolution;
    }

    /** At most so far from nothing it stands at rest, in the unit of its dimension. */
    public double mostAtRest() {
        return MOST_AT_REST_OFFSETS * offsetSd;
    }

    double resolution() {
        return resolution;
    }

    double offsetSd() {
        return offsetSd;
    }

    double driftPerMinute() {
        return driftPerMinute;
    }

    double dropOutShare() {
        return dropOutShare;
    }
}
