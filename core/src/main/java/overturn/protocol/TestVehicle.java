package overturn.protocol;

import java.util.random.RandomGenerator;

/** A vehicle on which tests can be done, whatever computes it. Each test finds it as it was left by the intake. */
public interface TestVehicle {

    /**
     * Does a test.
     *
     * @param shown whether its faults show this time
     * @param presses what differs from one press, eye and day to the next
     * @return one figure per sample of the protocol, before any instrument's noise
     */
    double[] figures(Protocol protocol, boolean shown, RandomGenerator presses);

    /** The same vehicle as this test leaves it once everything is made again, its reserve spent, and it has cooled. */
    TestVehicle after(Protocol intake);
}
