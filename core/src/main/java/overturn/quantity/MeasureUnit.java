package overturn.quantity;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** A unit that a technician may type, with its exact factor to the core's unit of the same dimension (SI definitions). */
public enum MeasureUnit {
    MILLIMETRE(Symbol.MILLIMETRE, Dimension.LENGTH, 1.0),
    INCH("in", Dimension.LENGTH, 25.4),
    NEWTON(Symbol.NEWTON, Dimension.FORCE, 1.0),
    POUND_FORCE("lbf", Dimension.FORCE, 4.4482216152605),
    KILOGRAM_FORCE("kgf", Dimension.FORCE, 9.80665),
    BAR(Symbol.BAR, Dimension.PRESSURE, 1.0),
    PSI("psi", Dimension.PRESSURE, 0.0689475729),
    KILOPASCAL(Symbol.KILOPASCAL, Dimension.DEPRESSION, 1.0),
    INCH_OF_MERCURY("inHg", Dimension.DEPRESSION, 3.386389),
    MILLILITRE(Symbol.MILLILITRE, Dimension.VOLUME, 1.0),
    FLUID_OUNCE("fl oz", Dimension.VOLUME, 29.5735295625);

    /** Symbols of the core's own units, named once. */
    static final class Symbol {
        static final String MILLIMETRE = "mm";
        static final String NEWTON = "N";
        static final String BAR = "bar";
        static final String KILOPASCAL = "kPa";
        static final String MILLILITRE = "mL";

        private Symbol() {
        }
    }

    private final String symbol;
    private final Dimension dimension;
    private final double coreUnitsPerUnit;

    MeasureUnit(String symbol, Dimension dimension, double coreUnitsPerUnit) {
        this.symbol = symbol;
        this.dimension = dimension;
        this.coreUnitsPerUnit = coreUnitsPerUnit;
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
        return value * coreUnitsPerUnit;
    }

    /** Converts a value in the core's unit to this unit. */
    public double fromCore(double coreValue) {
        return coreValue / coreUnitsPerUnit;
    }

    /** The unit with this symbol, if there is one. */
    public static Optional<MeasureUnit> ofSymbol(String symbol) {
        return Arrays.stream(values()).filter(unit -> unit.symbol.equals(symbol)).findFirst();
    }

    /** All units of one dimension, the core's own first. */
    public static List<MeasureUnit> of(Dimension dimension) {
        return Arrays.stream(values()).filter(unit -> unit.dimension == dimension).toList();
    }
}
