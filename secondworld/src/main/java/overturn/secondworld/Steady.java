package overturn.secondworld;

import java.util.random.RandomGenerator;

/** Chance at its mean: what a scale shows that does not shake. */
enum Steady implements RandomGenerator {
    MEAN;

    @Override
    public long nextLong() {
        return 0;
    }

    @Override
    public double nextDouble() {
        return 0.5;
    }

    @Override
    public double nextGaussian() {
        return 0;
    }
}
