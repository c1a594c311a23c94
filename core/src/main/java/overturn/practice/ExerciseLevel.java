package overturn.practice;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.random.RandomGenerator;

/** How plain a hidden fault is: how far it has gone, and how well the tools tell it. All chosen. */
public enum ExerciseLevel {
    FIRST_STEPS(0.65, 0.97, 0.6),
    EVERYDAY(0.25, 0.9, 1),
    HARD(0.05, 0.6, 1.6);

    private final double mildest;
    private final double worst;
    private final double noiseScale;

    ExerciseLevel(double mildest, double worst, double noiseScale) {
        this.mildest = mildest;
        this.worst = worst;
        this.noiseScale = noiseScale;
    }

    /** A severity of this level, as a quantile. */
    double severity(RandomGenerator random) {
        return mildest + (worst - mildest) * random.nextDouble();
    }

    /** Factor on the noise of all instruments. */
    public double noiseScale() {
        return noiseScale;
    }

    /** Stable id, in small letters with hyphens. */
    public String id() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public static Optional<ExerciseLevel> find(String id) {
        return Arrays.stream(values()).filter(level -> level.id().equals(id)).findFirst();
    }
}
