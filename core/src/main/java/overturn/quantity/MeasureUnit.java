package overturn.quantity;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * A unit that a technician may type, with its exact factor to the core's unit of the same dimension (SI definitions).
 */
public enum MeasureUnit {
    MILLIMETRE(Symbol.MILLIMETRE, Dimension.LENGTH, 1.0),
    INCH("in", Dimension.LENGTH, 25.4),
    METRE("m", Dimension.LENGTH, 1_000),
    FOOT("ft", Dimension.LENGTH, 304.8),
    KILOMETRE(Symbol.KILOMETRE, Dimension.DISTANCE, 1.0),
    MILE("mi", Dimension.DISTANCE, 1.609344),
    NEWTON(Symbol.NEWTON, Dimension.FORCE, 1.0),
    POUND_FORCE("lbf", Dimension.FORCE, 4.4482216152605),
    KILOGRAM_FORCE("kgf", Dimension.FORCE, 9.80665),
    BAR(Symbol.BAR, Dimension.PRESSURE, 1.0),
    PSI("psi", Dimension.PRESSURE, 0.0689475729),
    KILOPASCAL(Symbol.KILOPASCAL, Dimension.DEPRESSION, 1.0),
    INCH_OF_MERCURY("inHg", Dimension.DEPRESSION, 3.386389),
    MILLILITRE(Symbol.MILLILITRE, Dimension.VOLUME, 1.0),
    FLUID_OUNCE("fl oz", Dimension.VOLUME, 29.5735295625),
    SECOND(Symbol.SECOND, Dimension.TIME, 1.0),
    NEWTON_METRE(Symbol.NEWTON_METRE, Dimension.TORQUE, 1.0),
    POUND_FOOT("lbf ft", Dimension.TORQUE, 1.3558179483),
    CELSIUS(Symbol.CELSIUS, Dimension.TEMPERATURE, 1.0),
    FAHRENHEIT("°F", Dimension.TEMPERATURE, 5.0 / 9, -32),
    CELSIUS_RISE(Symbol.CELSIUS_RISE, Dimension.TEMPERATURE_RISE, 1.0),
    FAHRENHEIT_RISE("°F rise", Dimension.TEMPERATURE_RISE, 5.0 / 9),
    PERCENT(Symbol.PERCENT, Dimension.SHARE, 1.0),
    SQUARE_MILLIMETRE(Symbol.SQUARE_MILLIMETRE, Dimension.AREA, 1.0),
    SQUARE_CENTIMETRE("cm²", Dimension.AREA, 100.0),
    SQUARE_INCH("in²", Dimension.AREA, 645.16),
    MILLILITRE_PER_BAR(Symbol.MILLILITRE_PER_BAR, Dimension.STIFFNESS, 1.0),
    MILLILITRE_PER_MINUTE(Symbol.MILLILITRE_PER_MINUTE, Dimension.FLOW, 1.0),
    TIMES(Symbol.TIMES, Dimension.RATIO, 1.0),
    TURNS(Symbol.TURNS, Dimension.TURNS, 1.0),
    STROKES(Symbol.STROKES, Dimension.STROKES, 1.0);

    /** Symbols of the core's own units, named once. */
    static final class Symbol {
        static final String MILLIMETRE = "mm";
        static final String KILOMETRE = "km";
        static final String NEWTON = "N";
        static final String BAR = "bar";
        static final String KILOPASCAL = "kPa";
        static final String MILLILITRE = "mL";
        static final String SECOND = "s";
        static final String NEWTON_METRE = "Nm";
        static final String CELSIUS = "°C";
        static final String CELSIUS_RISE = "°C rise";
        static final String PERCENT = "%";
        static final String SQUARE_MILLIMETRE = "mm²";
        static final String MILLILITRE_PER_BAR = "mL/bar";
        static final String MILLILITRE_PER_MINUTE = "mL/min";
        static final String TIMES = "×";
        static final String TURNS = "turns";
        static final String STROKES = "strokes";

        private Symbol() {}
    }

    private final String symbol;
    private final Dimension dimension;
    private final double coreUnitsPerUnit;
    private final double shift;

    MeasureUnit(String symbol, Dimension dimension, double coreUnitsPerUnit) {
        this(symbol, dimension, coreUnitsPerUnit, 0);
    }

    MeasureUnit(String symbol, Dimension dimension, double coreUnitsPerUnit, double shift) {
        this.symbol = symbol;
        this.dimension = dimension;
        this.coreUnitsPerUnit = coreUnitsPerUnit;
        this.shift = shift;
    }

    /** The symbol as shown and typed, for example {@code mm}. */
    public String symbol() {
        return symbol;
    }

    public Dimension dimension() {
        return dimension;
    }

    /** Converts a value in this unit to the core's unit. */
    public double toCore(double value) {
        return (value + shift) * coreUnitsPerUnit;
    }

    /** Converts a value in the core's unit to this unit. */
    public double fromCore(double coreValue) {
        return coreValue / coreUnitsPerUnit - shift;
    }

    /** The unit with this symbol, if there is one. */
    public static Optional<MeasureUnit> ofSymbol(String symbol) {
        return Arrays.stream(values())
                .filter(unit -> unit.symbol.equals(symbol))
                .findFirst();
    }

    /** All units of one dimension, the core's own first. */
    public static List<MeasureUnit> of(Dimension dimension) {
        return Arrays.stream(values())
                .filter(unit -> unit.dimension == dimension)
                .toList();
    }
}
