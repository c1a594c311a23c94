package overturn.simulation;

import java.util.ArrayList;
import java.util.List;
import java.util.random.RandomGenerator;

/**
 * A protocol driven in time.
 *
 * @param frameSeconds time between two frames
 * @param frames from the first act on
 */
public record Trace(double frameSeconds, List<Frame> frames) {

    public Trace {
        frames = List.copyOf(frames);
    }

    /**
     * What instruments would show at one moment.
     *
     * @param atSecond since the start
     * @param forceN at the pedal or lever
     * @param travelMm at the pedal or lever tip
     * @param primaryBar pressure of the primary chamber
     * @param secondaryBar pressure of the secondary chamber; 0 where there is none
     * @param reserveShare reserve of the assist, 1 full
     * @param levelRiseMl what has come back into the reservoir beyond what left it, mL
     * @param slaveMm slave stroke; 0 where there is none
     */
    public record Frame(
            double atSecond,
            double forceN,
            double travelMm,
            double primaryBar,
            double secondaryBar,
            double reserveShare,
            double levelRiseMl,
            double slaveMm) {}

    /**
     * The same as instruments show it: noise of one standard deviation, then rounded to the resolution.
     *
     * @param random the only source of chance; the same seed gives the same trace
     */
    public Trace asRead(InstrumentNoise noise, RandomGenerator random) {
        List<Frame> read = new ArrayList<>(frames.size());
        for (Frame f : frames) {
            read.add(new Frame(
                    f.atSecond,
                    noise.force().read(f.forceN, random),
                    noise.travel().read(f.travelMm, random),
                    noise.pressure().read(f.primaryBar, random),
                    noise.pressure().read(f.secondaryBar, random),
                    noise.reserve().read(f.reserveShare, random),
                    noise.level().read(f.levelRiseMl, random),
                    noise.stroke().read(f.slaveMm, random)));
        }
        return new Trace(frameSeconds, read);
    }

    /** One instrument. */
    public record Instrument(double noiseSd, double noiseShare, double resolution) {

        double read(double value, RandomGenerator random) {
            double noisy = value + random.nextGaussian() * (noiseSd + noiseShare * Math.abs(value));
            return Math.max(0, resolution * Math.rint(noisy / resolution));
        }
    }

    /** The instruments of a trace; figures of docs/trade-figures.md C. */
    public record InstrumentNoise(
            Instrument force,
            Instrument travel,
            Instrument pressure,
            Instrument reserve,
            Instrument level,
            Instrument stroke) {

        /** Force gauge, tape, gauge, vacuum dial, level tape, rule. */
        public static final InstrumentNoise WORKSHOP = new InstrumentNoise(
                new Instrument(0, 0.04, 1),
                new Instrument(1.2, 0, 0.5),
                new Instrument(1, 0, 0.5),
                new Instrument(0.03, 0, 0.01),
                new Instrument(0.8, 0, 0.5),
                new Instrument(0.4, 0, 0.1));
    }
}
