package overturn.measurement;

/**
 * How far a rig set-up is trusted; with it, the chance that all its readings are false (estimates; docs/method.md uses
 * one in thirty).
 */
public enum RigTrust {
    PROVEN(0.004),
    NORMAL(0.03),
    DOUBTFUL(0.35);

    private final double lyingProbability;

    RigTrust(double lyingProbability) {
        this.lyingProbability = lyingProbability;
    }

    public double lyingProbability() {
        return lyingProbability;
    }
}
