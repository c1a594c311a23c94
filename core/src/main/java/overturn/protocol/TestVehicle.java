package overturn.protocol;

/** A vehicle on which tests can be done, whatever computes it. Each test finds it as it was left by the intake. */
public interface TestVehicle {

    /**
     * Does a test.
     *
     * @param shown whether its faults show this time
     * @return one figure per sample of the protocol, before any instrument's noise
     */
    double[] figures(Protocol protocol, boolean shown);

    /** The same vehicle as this test leaves it once everything is made again, its reserve spent, and it has cooled. */
    TestVehicle after(Protocol intake);
}
