package overturn.secondworld;

import java.util.random.RandomGenerator;

/**
 * What one sound vehicle and whoever works on it are like. Ranges: docs/trade-figures.md, estimates; wider than what a
 * data sheet says, as vehicles in use are.
 */
final class Nature {

    /** Friction of seals and pivots: N at the rod, and share of the force. */
    final double frictionN;

    final double frictionShare;
    /** Springs against the data sheet, and how much harder they push at the end of the stroke. */
    final double springs;

    final double springRise;
    /** Two slow parts of what ends and hoses swallow, with their time constants. */
    final double quickShare;

    final double quickSeconds;
    final double slowShare;
    final double slowSeconds;
    /** What the pedal goes on sinking in a minute with the engine running, mm at the pedal. */
    final double runningCreepMm;

    final double runningCreepSeconds;
    final double ends;
    final double hoses;
    final double clearances;
    final double lostMotionMm;
    final double freePlay;
    /** Bulkhead and bracket, mm at the rod per kN. */
    final double bulkheadMmPerKn;
    /** A foot or hand against what it was asked for: the person, each press, and how it fades in a minute. */
    final double person;

    final double pressSpread;
    final double fadeShare;
    /** Seconds in which the force is made, and those in which fluid reaches the ends. */
    final double paceSeconds;

    final double fillSeconds;
    final double returnSeconds;
    final double gain;
    final double supply;
    /** Length of the shell whose volume the reserve is, mm of effective area. */
    final double shellMm;

    final double refillSeconds;
    final double assistLagSeconds;
    final double reserveStrokes;
    final double levels;
    /** Torque of a sound wheel, Nm; factor on any drag for the state of its linings; warm against cold. */
    final double wheelNm;

    final double dragFactor;
    final double warmFactor;
    final double frontC;
    final double rearC;
    final double comesBackSeconds;
    final double releaseNeed;
    final double forkMm;
    /** Pressure exponent of leaks: laminar, orifice, or a lip that seats. */
    final double leakExponent;

    final double leakFactor;
    final double releaseValveFactor;
    /** How much of what has not come back in time is drawn past the cups on a quick return. */
    final double drawnShare;

    final double lossFactor;
    final double bleedStrokeShare;
    final double altitudeM;
    /** Share of the air in an end that clings to it while it is bled. */
    final double clingsAfterBleeding;
    /** What a technician calls half a turn, of some thread, mm. */
    final double halfTurnMm;
    /** What one hard press leaves behind a hole that is shut, mL: what the quick return of this pedal draws past. */
    final double drawnInMl;
    /** Room of a sound output rod before the master's holes are reached, mm. */
    final double outputGapMm;
    /** Lever tip against bush: how much of the free play that a worn bush gives is felt when it is rocked. */
    final double rockShare;
    /** How much of a wheel's warmth gets into the fluid at its end. */
    final double fluidWarmth;
    /**
     * Pressure held in that halves what the next quick return draws past, bar: ends that push back leave no suction.
     */
    final double heldOffBar;

    private final double[] own;

    Nature(RandomGenerator random, int parts) {
        frictionN = between(random, 12, 45);
        frictionShare = between(random, 0.04, 0.10);
        springs = spread(random, 0.15);
        springRise = between(random, 0.1, 0.4);
        quickShare = between(random, 0.02, 0.07);
        quickSeconds = between(random, 2, 6);
        slowShare = between(random, 0.02, 0.08);
        slowSeconds = between(random, 25, 90);
        double creep = random.nextDouble();
        runningCreepMm = 25 * creep * creep;
        runningCreepSeconds = between(random, 8, 30);
        ends = spread(random, 0.2);
        hoses = spread(random, 0.3);
        clearances = spread(random, 0.25);
        lostMotionMm = 0.35 * random.nextGaussian();
        freePlay = spread(random, 0.35);
        bulkheadMmPerKn = between(random, 0.5, 1.0);
        person = Math.max(0.85, 1 + 0.04 * random.nextGaussian());
        pressSpread = between(random, 0.02, 0.03);
        fadeShare = between(random, 0, 0.12);
        paceSeconds = between(random, 0.3, 1.2);
        fillSeconds = between(random, 0.05, 0.3);
        returnSeconds = between(random, 0.2, 0.7);
        gain = spread(random, 0.15);
        supply = Math.min(1.12, spread(random, 0.05));
        shellMm = between(random, 110, 190);
        refillSeconds = spread(random, 0.4);
        assistLagSeconds = between(random, 0.1, 0.5);
        reserveStrokes = spread(random, 0.25);
        levels = spread(random, 0.2);
        wheelNm = between(random, 1, 6);
        dragFactor = spread(random, 0.45);
        warmFactor = between(random, 1, 3);
        frontC = between(random, 45, 100);
        rearC = between(random, 28, 65);
        comesBackSeconds = between(random, 0.15, 0.4);
        releaseNeed = spread(random, 0.05);
        forkMm = between(random, 0.5, 2.5);
        double law = random.nextDouble();
        leakExponent = law < 0.4 ? 1 : law < 0.75 ? 0.5 : between(random, -0.4, 0.3);
        leakFactor = spread(random, 0.3);
        releaseValveFactor = Math.exp(0.4 + 0.9 * random.nextGaussian());
        drawnShare = between(random, 0.4, 0.9);
        lossFactor = spread(random, 0.3);
        bleedStrokeShare = between(random, 0.55, 0.8);
        altitudeM = Math.abs(180 * random.nextGaussian());
        own = new double[2 * parts];
        for (int i = 0; i < own.length; i++) {
            own[i] = spread(random, 0.09);
        }
        clingsAfterBleeding = between(random, 0.02, 0.35);
        halfTurnMm = between(random, 0.4, 0.8);
        drawnInMl = 0.13 * spread(random, 0.8);
        outputGapMm = between(random, 0.1, 0.5);
        rockShare = between(random, 0.45, 0.9);
        fluidWarmth = between(random, 0.15, 0.65);
        heldOffBar = between(random, 0.5, 4);
    }

    /** Stiffness of one part against its vehicle's. */
    double ownStiffness(int part) {
        return own[2 * part];
    }

    /** Clearance of one end against its vehicle's. */
    double ownClearance(int part) {
        return own[2 * part + 1];
    }

    static double between(RandomGenerator random, double least, double most) {
        return least + (most - least) * random.nextDouble();
    }

    /** A factor around one, by its logarithm. */
    static double spread(RandomGenerator random, double logSd) {
        return Math.exp(logSd * Math.max(-2.3, Math.min(2.3, random.nextGaussian())));
    }
}
