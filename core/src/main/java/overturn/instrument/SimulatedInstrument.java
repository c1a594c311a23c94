package overturn.instrument;

import java.util.OptionalDouble;
import java.util.SplittableRandom;

/** A stand-in for an instrument: shows what one of its kind would, with an offset and a drift of its own. */
public final class SimulatedInstrument {

    /** How long it shows nothing when it drops out, s; chosen. */
    private static final long DROP_OUT_SECONDS = 2;
    /** A drift that would go on for ever turns after so many minutes; chosen. */
    private static final double DRIFTS_MINUTES = 10;

    private final InstrumentKind kind;
    private final long seed;
    private final double offset;
    private final double driftPerMinute;

    /** One of its kind; the same seed makes the same. */
    public SimulatedInstrument(InstrumentKind kind, long seed) {
        this.kind = kind;
        this.seed = seed * 31 + kind.ordinal();
        SplittableRandom own = new SplittableRandom(this.seed);
        this.offset = kind.offsetSd() * own.nextGaussian();
        this.driftPerMinute = kind.driftPerMinute() * own.nextGaussian();
    }

    public InstrumentKind kind() {
        return kind;
    }

    /**
     * What it shows of a true value; empty while it has dropped out.
     *
     * @param seconds since it was put on
     */
    public OptionalDouble show(double truth, double seconds) {
        long spell = (long) Math.floor(seconds) / DROP_OUT_SECONDS;
        if (new SplittableRandom(seed ^ spell * 0x9e3779b97f4a7c15L).nextDouble() < kind.dropOutShare()) {
            return OptionalDouble.empty();
        }
        double minutes = seconds / 60;
        double drift = driftPerMinute * DRIFTS_MINUTES * Math.sin(minutes / DRIFTS_MINUTES);
        double shown = truth + offset + drift;
        return OptionalDouble.of(Math.rint(shown / kind.resolution()) * kind.resolution());
    }
}
