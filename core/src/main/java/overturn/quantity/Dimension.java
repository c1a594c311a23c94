package overturn.quantity;

/** What is measured; each dimension names the unit in which the core holds it. */
public enum Dimension {
    LENGTH(MeasureUnit.Symbol.MILLIMETRE),
    /** How far a vehicle has gone. */
    DISTANCE(MeasureUnit.Symbol.KILOMETRE),
    FORCE(MeasureUnit.Symbol.NEWTON),
    PRESSURE(MeasureUnit.Symbol.BAR),
    DEPRESSION(MeasureUnit.Symbol.KILOPASCAL),
    VOLUME(MeasureUnit.Symbol.MILLILITRE),
    TIME(MeasureUnit.Symbol.SECOND),
    TORQUE(MeasureUnit.Symbol.NEWTON_METRE),
    TEMPERATURE(MeasureUnit.Symbol.CELSIUS),
    /** A difference of temperatures: its units have no zero of their own. */
    TEMPERATURE_RISE(MeasureUnit.Symbol.CELSIUS_RISE),
    SHARE(MeasureUnit.Symbol.PERCENT),
    AREA(MeasureUnit.Symbol.SQUARE_MILLIMETRE),
    STIFFNESS(MeasureUnit.Symbol.MILLILITRE_PER_BAR),
    FLOW(MeasureUnit.Symbol.MILLILITRE_PER_MINUTE),
    RATIO(MeasureUnit.Symbol.TIMES),
    TURNS(MeasureUnit.Symbol.TURNS),
    STROKES(MeasureUnit.Symbol.STROKES);

    private final String coreSymbol;

    Dimension(String coreSymbol) {
        this.coreSymbol = coreSymbol;
    }

    /** The unit in which the core reckons this dimension. */
    public MeasureUnit coreUnit() {
        return MeasureUnit.ofSymbol(coreSymbol).orElseThrow();
    }
}
