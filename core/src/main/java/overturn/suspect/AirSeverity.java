package overturn.suspect;

/** How much air is left where it is felt. */
final class AirSeverity {

    /** In a brake circuit, mL: a few millilitres feel soft, ten leave no pedal; estimate. */
    static final Severity BRAKE_ML = Severity.median(2.2).spread(1.8).within(0.5, 10);

    private AirSeverity() {}
}
