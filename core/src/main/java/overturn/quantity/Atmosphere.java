package overturn.quantity;

/** The air around the vehicle near sea level (international standard atmosphere, rounded to what a gauge shows). */
public final class Atmosphere {

    /** Absolute pressure, bar; definition. */
    public static final double BAR = 1.013;
    /** Absolute pressure, kPa: the deepest depression there can be; definition. */
    public static final double KPA = 101.325;

    private Atmosphere() {}
}
