package overturn.secondworld;

import java.util.List;
import java.util.SplittableRandom;
import java.util.random.RandomGenerator;
import overturn.circuit.Layout;
import overturn.protocol.Act;
import overturn.protocol.Protocol;
import overturn.protocol.TestVehicle;
import overturn.suspect.Fault;

/**
 * A vehicle of the second world: the layout's circuit with a nature of its own, drawn from a seed, and faults. Each
 * test done on it is a little different, as presses, eyes and days are.
 */
public final class SecondWorldVehicle implements TestVehicle {

    private final Layout layout;
    private final Nature nature;
    private final List<Fault> faults;
    private final Carried found;
    private final long seed;

    private SecondWorldVehicle(Layout layout, Nature nature, List<Fault> faults, Carried found, long seed) {
        this.layout = layout;
        this.nature = nature;
        this.faults = List.copyOf(faults);
        this.found = found;
        this.seed = seed;
    }

    /** The vehicle of a seed; with the same seed and other faults it is the same vehicle. */
    public static SecondWorldVehicle of(Layout layout, List<Fault> faults, long seed) {
        Nature nature =
                new Nature(new SplittableRandom(seed), layout.components().size());
        return new SecondWorldVehicle(layout, nature, faults, Carried.none(), seed);
    }

    @Override
    public double[] figures(Protocol protocol, boolean shown, RandomGenerator presses) {
        double[] figures = new double[protocol.samples()];
        run(protocol, shown ? faults : List.of(), figures, presses);
        return figures;
    }

    @Override
    public TestVehicle after(Protocol intake) {
        Carried left = run(intake, faults, new double[intake.samples()], new SplittableRandom(seed))
                .carried();
        return new SecondWorldVehicle(layout, nature, faults, left, seed);
    }

    /**
     * The same vehicle as one that goes on in time.
     *
     * @param presses what differs from one press, eye and day to the next
     */
    public LiveVehicle live(RandomGenerator presses) {
        return new LiveVehicle(new Machine(layout, nature, new Troubles(faults), presses, found));
    }

    private Machine run(Protocol protocol, List<Fault> present, double[] figures, RandomGenerator presses) {
        Machine machine = new Machine(layout, nature, new Troubles(present), presses, found);
        machine.cut(new Circuitry(layout, protocol.cuts()));
        Eyes eyes = new Eyes(machine);
        int next = 0;
        for (Act act : protocol.acts()) {
            if (act instanceof Act.Sample sample) {
                figures[next++] = eyes.see(sample.quantity(), sample.place().orElse(""));
            } else {
                machine.act(act);
            }
        }
        return machine;
    }
}
