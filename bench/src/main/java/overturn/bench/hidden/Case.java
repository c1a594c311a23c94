package overturn.bench.hidden;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.function.Function;
import java.util.random.RandomGenerator;
import java.util.stream.Collectors;
import overturn.evidence.Reading;
import overturn.evidence.RigSetup;
import overturn.inference.Intake;
import overturn.measurement.ReadingValue;
import overturn.measurement.RigTrust;
import overturn.practice.HiddenVehicle;
import overturn.procedure.Procedure;
import overturn.suspect.Cure;
import overturn.suspect.Remedy;
import overturn.suspect.Repaired;
import overturn.suspect.Suspect;

/**
 * One hidden vehicle. Whoever does the same test on it with the same rig reads the same, so that policies are compared
 * in pairs.
 */
final class Case {

    /** One rig set-up in thirty lies (docs/method.md) … */
    private static final double LYING = 1.0 / 30;
    /** … and its check, which is part of every test, shows four of five of those: the set-up is then made anew. */
    private static final double CAUGHT = 0.8;
    /** Part of the test's minutes that a set-up made anew costs. */
    private static final double MADE_ANEW = 0.5;

    final Stratum stratum;
    final String layoutId;
    final List<Suspect> causes;
    final Cure cure;
    /** The parts at which its faults sit. */
    final Set<String> parts;

    final Intake intake;
    private final Function<List<Suspect>, HiddenVehicle> vehicle;
    private final Function<RandomGenerator, HiddenVehicle> liar;
    private final long seed;
    private final Map<String, ReadingValue> read = new HashMap<>();

    Case(
            Stratum stratum,
            String layoutId,
            List<Suspect> causes,
            Cure cure,
            Set<String> parts,
            Intake intake,
            Function<List<Suspect>, HiddenVehicle> vehicle,
            Function<RandomGenerator, HiddenVehicle> liar,
            long seed) {
        this.stratum = stratum;
        this.layoutId = layoutId;
        this.causes = causes;
        this.cure = cure;
        this.parts = Set.copyOf(parts);
        this.intake = intake;
        this.vehicle = vehicle;
        this.liar = liar;
        this.seed = seed;
    }

    /** The same vehicle, in a workshop whose closed jobs say this. */
    Case whereClosedJobsSay(Map<String, Double> counts) {
        return new Case(stratum, layoutId, causes, cure, parts, intake.with(counts), vehicle, liar, seed);
    }

    long seed() {
        return seed;
    }

    /** A reading and what its rig cost beyond the test's own minutes. */
    record Taken(Reading reading, double extraMinutes) {}

    /** Does a test with one of its rig's set-ups, counted from 0. */
    Taken take(Procedure procedure, int setUp, Repaired done) {
        String setup = RigSetup.name(procedure.rigSetup(), setUp + 1);
        SplittableRandom rig = new SplittableRandom(seed ^ 0x5bd1e995L * setup.hashCode());
        boolean faulty = rig.nextDouble() < LYING;
        boolean caught = faulty && rig.nextDouble() < CAUGHT;
        String id = procedure.id() + "#" + setUp
                + done.cures().stream().map(c -> "@" + c.mask()).collect(Collectors.joining());
        ReadingValue value = read.computeIfAbsent(id, key -> {
            SplittableRandom noise = new SplittableRandom(seed * 7_919 + key.hashCode());
            return (faulty && !caught ? liar.apply(noise) : left(done)).read(procedure, noise);
        });
        return new Taken(
                new Reading(id, procedure.id(), value, setup, RigTrust.PROVEN, done),
                caught ? MADE_ANEW * procedure.minutes() : 0);
    }

    /** The vehicle with what is left of its faults. */
    private HiddenVehicle left(Repaired done) {
        return vehicle.apply(
                causes.stream().filter(s -> !done.settles(s.remedy())).toList());
    }

    /** Whether a remedy is needed; of a fault that is in no list, to look elsewhere. */
    boolean needs(Remedy remedy) {
        return cure.has(remedy) || stratum == Stratum.UNLISTED && remedy == Remedy.LOOK_ELSEWHERE;
    }

    /** What is still needed. */
    Cure needed(Repaired done) {
        Remedy[] left = cure.remedies().stream().filter(r -> !done.settles(r)).toArray(Remedy[]::new);
        return left.length == 0 ? Cure.HAND_BACK : Cure.of(left);
    }
}
