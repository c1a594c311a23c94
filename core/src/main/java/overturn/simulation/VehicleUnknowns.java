package overturn.simulation;

import java.util.SplittableRandom;
import java.util.random.RandomGenerator;

/**
 * How this one vehicle differs from the layout's figures though nothing is wrong with it, plus the rig that all its
 * readings share. Spreads: docs/method.md (20 to 30 %) and 09, estimates.
 *
 * @param padClearance factor on pad clearance
 * @param shoeClearance factor on shoe clearance
 * @param stiffness factor on what ends, hoses and fluid swallow per bar
 * @param springs factor on spring force at the rod
 * @param lostMotionMm mm at the rod added to the layout's lost motion
 * @param freePlay factor on free play
 * @param creepPerDecade share of the elastic volume (about half of all swallowed) that creeps per decade of time
 * @param runningCreep share of the swallowed volume taken up in the first minute when the engine runs
 * @param returnSeconds time constant in which displaced fluid comes back after release
 * @param assistGain factor on the gain
 * @param supply factor on the supply
 * @param forceBias factor between the force asked for and the force pressed, the same foot and scale throughout
 * @param levelArea factor on the level area of the reservoir
 * @param wheelDragNm drag of a sound wheel turned by hand, Nm
 * @param inputReturnSeconds time in which a sound pedal or lever comes back, s
 * @param releaseNeed factor on the travel that frees a sound clutch
 * @param bulkheadMmPerKn how far bulkhead and bracket of a sound vehicle give way, mm at the rod per kN
 * @param frontC temperature of a sound front wheel after ten minutes on the road, °C
 * @param rearC the same of a rear wheel, °C
 * @param bleedStroke share of its travel that a person pumps when an end is bled
 * @param forkMm play of a sound fork or pivot at the slave, mm
 * @param gapExponent how flow through a leaking gap grows with pressure: 1 laminar, 0.5 as through an orifice
 * @param pressureLampSwitch whether pressure in the line, not the pedal, works the brake lamp
 * @param altitudeM height above sea level, m: takes 1.2 kPa per 100 m from a vacuum supply
 * @param letGo what a press leaves behind when the pedal comes back
 * @param assistTime how fast its assist fills and empties
 */
public record VehicleUnknowns(
        double padClearance,
        double shoeClearance,
        double stiffness,
        double springs,
        double lostMotionMm,
        double freePlay,
        double creepPerDecade,
        double runningCreep,
        double returnSeconds,
        double assistGain,
        double supply,
        double forceBias,
        double levelArea,
        double wheelDragNm,
        double inputReturnSeconds,
        double releaseNeed,
        double altitudeM,
        double bulkheadMmPerKn,
        double frontC,
        double rearC,
        double bleedStroke,
        double forkMm,
        double gapExponent,
        boolean pressureLampSwitch,
        long unevenness,
        LetGo letGo,
        AssistTime assistTime) {

    /**
     * What a press leaves behind when the pedal comes back: the person's pace and how fast pads, shoes and seals
     * return, shared by everything that is pumped.
     *
     * @param drawnShare share of what has not come back in time that is drawn past the cups on a quick return
     * @param drawnInMl fluid drawn past a cup whose hole is shut by one press of 20 bar or more, mL
     * @param outputGapMm room of a sound output rod before the master's holes are reached, mm
     */
    public record LetGo(double drawnShare, double drawnInMl, double outputGapMm) {}

    /**
     * How fast a sound assist fills and empties, as factors on the data sheet.
     *
     * @param recovery factor on the time in which it fills
     * @param strokes factor on the presses in its reserve
     */
    public record AssistTime(double recovery, double strokes) {}

    /** What pumping and holes leave on a usual pedal; estimates. */
    private static final LetGo USUAL_LET_GO = new LetGo(0.8, 0.15, 0.3);

    private static final AssistTime AS_LISTED = new AssistTime(1, 1);

    /**
     * With the engine none of the creep is compulsory: from nothing to some 25 mm in a minute (docs/trade-figures.md
     * C).
     */
    private static final double MOST_RUNNING_CREEP = 0.6;
    /** Friction takes 4 to 10 % of what a foot presses before it reaches the pistons (docs/trade-figures.md A). */
    private static final double FRICTION_LEFT = 0.94;
    /** Share of vehicles whose brake lamp is switched by pressure; estimate. */
    private static final double PRESSURE_LAMP_SWITCHES = 0.15;
    /** Log spread of one component against the next; estimate. */
    private static final double UNEVEN = 0.07;
    /** Four draws from an even interval of one have a variance of a third; definition. */
    private static final double SUM_TO_SD = Math.sqrt(3);

    /** The vehicle of the data sheet. */
    public static final VehicleUnknowns NOMINAL = new Draft().done();

    /** A vehicle being described; every figure starts as the data sheet has it. */
    static final class Draft {
        double padClearance = 1;
        double shoeClearance = 1;
        double stiffness = 1;
        double springs = 1;
        double lostMotionMm;
        double freePlay = 1;
        double creepPerDecade = 0.065;
        double runningCreep = 0.3;
        double returnSeconds = 0.5;
        double assistGain = 1;
        double supply = 1;
        double forceBias = 1;
        double levelArea = 1;
        double wheelDragNm = 3;
        double inputReturnSeconds = 0.22;
        double releaseNeed = 1;
        double altitudeM;
        double bulkheadMmPerKn;
        double frontC = 70;
        double rearC = 46;
        double bleedStroke = 0.68;
        double forkMm;
        double gapExponent = 1;
        boolean pressureLampSwitch;
        long unevenness;
        LetGo letGo = USUAL_LET_GO;
        AssistTime assistTime = AS_LISTED;

        VehicleUnknowns done() {
            return new VehicleUnknowns(
                    padClearance,
                    shoeClearance,
                    stiffness,
                    springs,
                    lostMotionMm,
                    freePlay,
                    creepPerDecade,
                    runningCreep,
                    returnSeconds,
                    assistGain,
                    supply,
                    forceBias,
                    levelArea,
                    wheelDragNm,
                    inputReturnSeconds,
                    releaseNeed,
                    altitudeM,
                    bulkheadMmPerKn,
                    frontC,
                    rearC,
                    bleedStroke,
                    forkMm,
                    gapExponent,
                    pressureLampSwitch,
                    unevenness,
                    letGo,
                    assistTime);
        }
    }

    /** A vehicle drawn from the spread of sound ones. */
    public static VehicleUnknowns draw(RandomGenerator random) {
        Draft draft = new Draft();
        draft.padClearance = factor(random, 0.22);
        draft.shoeClearance = factor(random, 0.22);
        draft.stiffness = factor(random, 0.18);
        draft.springs = factor(random, 0.12);
        draft.lostMotionMm = 0.3 * random.nextGaussian();
        draft.freePlay = factor(random, 0.3);
        draft.creepPerDecade *= factor(random, 0.28);
        draft.runningCreep = MOST_RUNNING_CREEP * square(random.nextDouble());
        draft.returnSeconds *= factor(random, 0.3);
        draft.assistGain = factor(random, 0.15);
        draft.supply = factor(random, 0.05);
        draft.forceBias = FRICTION_LEFT * factor(random, 0.06);
        draft.levelArea = factor(random, 0.15);
        draft.wheelDragNm *= factor(random, 0.35);
        draft.inputReturnSeconds *= factor(random, 0.2);
        draft.releaseNeed = factor(random, 0.04);
        draft.altitudeM = Math.abs(150 * random.nextGaussian());
        draft.unevenness = random.nextLong();
        draft.bulkheadMmPerKn = between(random, 0.4, 1);
        draft.frontC = between(random, 45, 100);
        draft.rearC = between(random, 28, 65);
        draft.bleedStroke = between(random, 0.55, 0.8);
        draft.forkMm = between(random, 0.3, 2.2);
        RandomGenerator leaksAndLamp = new SplittableRandom(draft.unevenness);
        draft.gapExponent = between(leaksAndLamp, 0.5, 1);
        draft.pressureLampSwitch = leaksAndLamp.nextDouble() < PRESSURE_LAMP_SWITCHES;
        draft.letGo = new LetGo(
                between(leaksAndLamp, 0.35, 0.95),
                USUAL_LET_GO.drawnInMl() * factor(leaksAndLamp, 0.8),
                between(leaksAndLamp, 0.1, 0.5));
        draft.assistTime = new AssistTime(factor(leaksAndLamp, 0.4), factor(leaksAndLamp, 0.25));
        return draft.done();
    }

    /** A draft that starts from this vehicle. */
    Draft draft() {
        Draft draft = new Draft();
        draft.padClearance = padClearance;
        draft.shoeClearance = shoeClearance;
        draft.stiffness = stiffness;
        draft.springs = springs;
        draft.lostMotionMm = lostMotionMm;
        draft.freePlay = freePlay;
        draft.creepPerDecade = creepPerDecade;
        draft.runningCreep = runningCreep;
        draft.returnSeconds = returnSeconds;
        draft.assistGain = assistGain;
        draft.supply = supply;
        draft.forceBias = forceBias;
        draft.levelArea = levelArea;
        draft.wheelDragNm = wheelDragNm;
        draft.inputReturnSeconds = inputReturnSeconds;
        draft.releaseNeed = releaseNeed;
        draft.altitudeM = altitudeM;
        draft.bulkheadMmPerKn = bulkheadMmPerKn;
        draft.frontC = frontC;
        draft.rearC = rearC;
        draft.bleedStroke = bleedStroke;
        draft.forkMm = forkMm;
        draft.gapExponent = gapExponent;
        draft.pressureLampSwitch = pressureLampSwitch;
        draft.unevenness = unevenness;
        draft.letGo = letGo;
        draft.assistTime = assistTime;
        return draft;
    }

    /** The same vehicle at another height. */
    public VehicleUnknowns atAltitude(double metres) {
        Draft draft = draft();
        draft.altitudeM = metres;
        return draft.done();
    }

    /** The same foot, eye and weather on a vehicle of these factors whose parts are all alike. */
    public VehicleUnknowns of(Factors factors) {
        Draft draft = draft();
        draft.padClearance = factors.padClearance();
        draft.shoeClearance = factors.shoeClearance();
        draft.stiffness = factors.stiffness();
        draft.springs = factors.springs();
        draft.freePlay = factors.freePlay();
        draft.assistGain = factors.assistGain();
        draft.unevenness = 0;
        return draft.done();
    }

    /** Factors of a vehicle on its data sheet. */
    public record Factors(
            double padClearance,
            double shoeClearance,
            double stiffness,
            double springs,
            double freePlay,
            double assistGain) {}

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
