package overturn.simulation;

/** Pedal or lever and parking brake: how hard it is pressed, and for how long. */
final class Controls {

    /** Nothing was pressed for so long that all has come back, s; definition. */
    private static final double LONG_AGO_SECONDS = 1e6;

    private double forceN;
    private double heldSeconds;
    private double runningSeconds;
    private double secondsSinceRelease = LONG_AGO_SECONDS;
    private boolean parkingBrakeOn;

    /** Force at pedal or lever, N. */
    double forceN() {
        return forceN;
    }

    /** How long it is held, s. */
    double heldSeconds() {
        return heldSeconds;
    }

    /** How much of that with the engine running, s. */
    double runningSeconds() {
        return runningSeconds;
    }

    double secondsSinceRelease() {
        return secondsSinceRelease;
    }

    boolean parkingBrakeOn() {
        return parkingBrakeOn;
    }

    void setParkingBrake(boolean on) {
        parkingBrakeOn = on;
    }

    /** A foot that goes down, N. */
    void pressing(double newtons) {
        forceN = newtons;
    }

    /** A foot that stays from now on, N. */
    void press(double newtons) {
        forceN = newtons;
        heldSeconds = 0;
        runningSeconds = 0;
    }

    void engineTurned() {
        runningSeconds = 0;
    }

    void hold(double seconds, boolean running) {
        heldSeconds += seconds;
        if (running) {
            runningSeconds += seconds;
        }
    }

    void release() {
        secondsSinceRelease = forceN > 0 ? 0 : secondsSinceRelease;
        forceN = 0;
    }

    void rest(double seconds) {
        secondsSinceRelease += seconds;
    }
}
