package overturn.simulation;

import java.util.SplittableRandom;
import java.util.random.RandomGenerator;

/**
 * How this one vehicle differs from the layout's figures though nothing is wrong with it, plus the rig that all its
 * readings share. Spreads: docs/method.md (20 to 30 %) and 09, estimates.
 *
 * @param factors on the figures of the data sheet
 * @param lost what is lost on the way
 * @param creep what pressed parts go on giving way
 * @param wheels wheels that turn and warm as they should
 * @param person who presses and pumps
 * @param surroundings what it stands in and how it is fitted
 * @param letGo what a press leaves behind when the pedal comes back
 * @param assistTime how fast its assist fills and empties
 * @param unevenness from which each part gets a factor of its own; 0 where all are alike
 */
public record VehicleUnknowns(
        Factors factors,
        Lost lost,
        Creep creep,
        Wheels wheels,
        Person person,
        Surroundings surroundings,
        LetGo letGo,
        AssistTime assistTime,
        long unevenness) {

    /**
     * Factors on the data sheet.
     *
     * @param padClearance on pad clearance
     * @param shoeClearance on shoe clearance
     * @param stiffness on what ends, hoses and fluid swallow per bar
     * @param springs on spring force at the rod
     * @param freePlay on free play
     * @param assistGain on the gain
     */
    public record Factors(
            double padClearance,
            double shoeClearance,
            double stiffness,
            double springs,
            double freePlay,
            double assistGain) {}

    /**
     * What is lost on the way.
     *
     * @param motionMm mm at the rod added to the layout's lost motion
     * @param bulkheadMmPerKn how far bulkhead and bracket of a sound vehicle give way, mm at the rod per kN
     * @param forkMm play of a sound fork or pivot at the slave, mm
     * @param releaseNeed factor on the travel that frees a sound clutch
     * @param frictionN friction of seals and pivots that any press overcomes first, N at the rod
     */
    public record Lost(double motionMm, double bulkheadMmPerKn, double forkMm, double releaseNeed, double frictionN) {}

    /**
     * What pressed parts go on giving way.
     *
     * @param perDecade share of the elastic volume (about half of all swallowed) that creeps per decade of time
     * @param running share of the swallowed volume taken up in the first minute when the engine runs
     * @param returnSeconds time constant in which displaced fluid comes back after release
     */
    public record Creep(double perDecade, double running, double returnSeconds) {}

    /**
     * Sound wheels.
     *
     * @param dragNm drag of one turned by hand, Nm
     * @param frontC temperature of a front one after ten minutes on the road, °C
     * @param rearC the same of a rear one, °C
     * @param toFluid share of a drive's warmth that the fluid in the ends has taken on
     */
    public record Wheels(double dragNm, double frontC, double rearC, double toFluid) {}

    /**
     * Who presses and pumps.
     *
     * @param forceBias factor between the force asked for and the force pressed, the same foot and scale throughout
     * @param bleedStroke share of its travel that this person pumps when an end is bled
     */
    public record Person(double forceBias, double bleedStroke) {}

    /**
     * What it stands in and how it is fitted.
     *
     * @param altitudeM height above sea level, m: takes 1.2 kPa per 100 m from a vacuum supply
     * @param supply factor on the supply of the assist
     * @param levelArea factor on the level area of the reservoir
     * @param inputReturnSeconds time in which a sound pedal or lever comes back, s
     * @param gapExponent how flow through a leaking gap grows with pressure: 1 laminar, 0.5 as through an orifice
     * @param pressureLampSwitch whether pressure in the line, not the pedal, works the brake lamp
     */
    public record Surroundings(
            double altitudeM,
            double supply,
            double levelArea,
            double inputReturnSeconds,
            double gapExponent,
            boolean pressureLampSwitch) {}

    /**
     * What a press leaves behind when the pedal comes back: the person's pace and how fast pads, shoes and seals
     * return, shared by everything that is pumped.
     *
     * @param drawnShare share of what has not come back in time that is drawn past the cups on a quick return
     * @param drawnInMl fluid drawn past a cup whose hole is shut by one press of 20 bar or more, mL
     * @param drawnToBar pressure held in from which on the ends push back so fast that nothing more is drawn in, bar
     * @param outputGapMm room of a sound output rod before the master's holes are reached, mm
     * @param openHoleSeconds time constant in which what was drawn in runs back through an open hole, s
     */
    public record LetGo(
            double drawnShare, double drawnInMl, double drawnToBar, double outputGapMm, double openHoleSeconds) {}

    /**
     * How fast a sound assist fills and empties, as factors on the data sheet.
     *
     * @param recovery factor on the time in which it fills
     * @param strokes factor on the presses in its reserve
     */
    public record AssistTime(double recovery, double strokes) {}

    /**
     * With the engine none of the creep is compulsory: from nothing to some 25 mm in a minute (docs/trade-figures.md
     * C).
     */
    private static final double MOST_RUNNING_CREEP = 0.6;
    /** Friction takes 4 to 10 % of what a foot presses before it reaches the pistons (docs/trade-figures.md A). */
    private static final double FRICTION_LEFT = 0.94;
    /** Beside it 20 to 50 N at the rod (docs/trade-figures.md A), of which data sheets count a part as springs. */
    private static final double LEAST_FRICTION_N = 5;
    /** Most of it (docs/trade-figures.md A). */
    private static final double MOST_FRICTION_N = 35;
    /** Share of vehicles whose brake lamp is switched by pressure; estimate. */
    private static final double PRESSURE_LAMP_SWITCHES = 0.15;
    /** Least pressure that presses alone build up behind a shut hole: seals that roll their pistons back; estimate. */
    private static final double LEAST_DRAWN_TO_BAR = 1;
    /** Most of it: 0 to 115 Nm on a cold saloon; estimate. */
    private static final double MOST_DRAWN_TO_BAR = 6;
    /** Least share of a drive's warmth that gets into the fluid: pads and insulators keep it off; estimate. */
    private static final double LEAST_TO_FLUID = 0.1;
    /** Most of it, after a drive with many stops; estimate. */
    private static final double MOST_TO_FLUID = 0.6;
    /** Log spread of one component against the next; estimate. */
    private static final double UNEVEN = 0.07;
    /** Four draws from an even interval of one have a variance of a third; definition. */
    private static final double SUM_TO_SD = Math.sqrt(3);

    /** The vehicle of the data sheet; what that does not say are estimates. */
    public static final VehicleUnknowns NOMINAL = new VehicleUnknowns(
            new Factors(1, 1, 1, 1, 1, 1),
            new Lost(0, 0, 0, 1, 0),
            new Creep(0.065, 0.3, 0.5),
            new Wheels(3, 70, 46, 0.35),
            new Person(1, 0.68),
            new Surroundings(0, 1, 1, 0.22, 1, false),
            new LetGo(0.8, 0.15, 3.5, 0.3, 0.7),
            new AssistTime(1, 1),
            0);

    /** A vehicle drawn from the spread of sound ones. */
    public static VehicleUnknowns draw(RandomGenerator random) {
        double padClearance = factor(random, 0.22);
        double shoeClearance = factor(random, 0.22);
        double stiffness = factor(random, 0.18);
        double springs = factor(random, 0.12);
        double motionMm = 0.3 * random.nextGaussian();
        double freePlay = factor(random, 0.3);
        Creep creep = new Creep(
                NOMINAL.creep.perDecade * factor(random, 0.28),
                MOST_RUNNING_CREEP * square(random.nextDouble()),
                NOMINAL.creep.returnSeconds * factor(random, 0.3));
        double assistGain = factor(random, 0.15);
        double supply = factor(random, 0.05);
        double forceBias = FRICTION_LEFT * factor(random, 0.06);
        double levelArea = factor(random, 0.15);
        double wheelDragNm = NOMINAL.wheels.dragNm * factor(random, 0.35);
        double inputReturnSeconds = NOMINAL.surroundings.inputReturnSeconds * factor(random, 0.2);
        double releaseNeed = factor(random, 0.04);
        double altitudeM = Math.abs(150 * random.nextGaussian());
        long unevenness = random.nextLong();
        double bulkheadMmPerKn = between(random, 0.4, 1);
        double frontC = between(random, 45, 100);
        double rearC = between(random, 28, 65);
        Person person = new Person(forceBias, between(random, 0.55, 0.8));
        double forkMm = between(random, 0.3, 2.2);
        RandomGenerator later = new SplittableRandom(unevenness);
        Surroundings surroundings = new Surroundings(
                altitudeM,
                supply,
                levelArea,
                inputReturnSeconds,
                between(later, 0.5, 1),
                later.nextDouble() < PRESSURE_LAMP_SWITCHES);
        double drawnShare = between(later, 0.35, 0.95);
        double drawnInMl = NOMINAL.letGo.drawnInMl * factor(later, 0.8);
        double outputGapMm = between(later, 0.1, 0.5);
        AssistTime assistTime = new AssistTime(factor(later, 0.4), factor(later, 0.25));
        double openHoleSeconds = NOMINAL.letGo.openHoleSeconds * factor(later, 0.6);
        double frictionN = between(later, LEAST_FRICTION_N, MOST_FRICTION_N);
        Wheels wheels = new Wheels(wheelDragNm, frontC, rearC, between(later, LEAST_TO_FLUID, MOST_TO_FLUID));
        double drawnToBar = between(later, LEAST_DRAWN_TO_BAR, MOST_DRAWN_TO_BAR);
        LetGo letGo = new LetGo(drawnShare, drawnInMl, drawnToBar, outputGapMm, openHoleSeconds);
        return new VehicleUnknowns(
                new Factors(padClearance, shoeClearance, stiffness, springs, freePlay, assistGain),
                new Lost(motionMm, bulkheadMmPerKn, forkMm, releaseNeed, frictionN),
                creep,
                wheels,
                person,
                surroundings,
                letGo,
                assistTime,
                unevenness);
    }

    /** The same vehicle at another height. */
    public VehicleUnknowns atAltitude(double metres) {
        return with(new Surroundings(
                metres,
                surroundings.supply,
                surroundings.levelArea,
                surroundings.inputReturnSeconds,
                surroundings.gapExponent,
                surroundings.pressureLampSwitch));
    }

    /** The same vehicle in other surroundings. */
    VehicleUnknowns with(Surroundings other) {
        return new VehicleUnknowns(factors, lost, creep, wheels, person, other, letGo, assistTime, unevenness);
    }

    /** The same foot, eye and weather on a vehicle of these factors whose parts are all alike. */
    public VehicleUnknowns of(Factors other) {
        return new VehicleUnknowns(other, lost, creep, wheels, person, surroundings, letGo, assistTime, 0);
    }

    /** Factor of one end or hose on its stiffness, beside the vehicle's. */
    double ownStiffness(int part) {
        return own(2L * part);
    }

    /** Factor of one end on its clearance, beside the vehicle's. */
    double ownClearance(int part) {
        return own(2L * part + 1);
    }

    /** The sum of four even draws is near enough to normal; they come from the bits of one well mixed number. */
    private double own(long which) {
        if (unevenness == 0) {
            return 1;
        }
        long bits = mixed(unevenness + which * 0x9E3779B97F4A7C15L);
        double sum = 0;
        for (int draw = 0; draw < 4; draw++) {
            sum += ((bits >>> 16 * draw & 0xFFFF) + 0.5) / 0x10000 - 0.5;
        }
        return Math.exp(UNEVEN * sum * SUM_TO_SD);
    }

    private static long mixed(long bits) {
        long once = (bits ^ bits >>> 30) * 0xBF58476D1CE4E5B9L;
        long twice = (once ^ once >>> 27) * 0x94D049BB133111EBL;
        return twice ^ twice >>> 31;
    }

    private static double square(double value) {
        return value * value;
    }

    private static double between(RandomGenerator random, double least, double most) {
        return least + (most - least) * random.nextDouble();
    }

    private static double factor(RandomGenerator random, double logSd) {
        return Math.exp(logSd * Math.max(-2.5, Math.min(2.5, random.nextGaussian())));
    }
}
