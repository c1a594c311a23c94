package overturn.quantity;

/** What is measured; each dimension names the unit in which the core holds it. */
public enum Dimension {
    LENGTH(MeasureUnit.Symbol.MILLIMETRE),
    FORCE(MeasureUnit.Symbol.NEWTON),
    PRESSURE(MeasureUnit.Symbol.BAR),
    DEPRESSION(MeasureUnit.Symbol.KILOPASCAL),
    VOLUME(MeasureUnit.Symbol.MILLILITRE);

    private final String coreSymbol;

    Dimension(String coreSymbol) {
        this.coreSymbol = coreSymbol;
    }

    /** The unit in which the core reckons this dimension. */
    public MeasureUnit coreUnit() {
        return MeasureUnit.ofSymbol(coreSymbol).orElseThrow();
    }
}
