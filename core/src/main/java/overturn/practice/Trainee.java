package overturn.practice;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.random.RandomGenerator;
import org.jspecify.annotations.Nullable;
import overturn.evidence.Reading;
import overturn.evidence.RigSetup;
import overturn.forecast.LayoutModel;
import overturn.inference.Intake;
import overturn.measurement.ReadingSpec.Observation;
import overturn.measurement.ReadingValue;
import overturn.measurement.RigTrust;
import overturn.planning.Proposal;
import overturn.planning.Workshop;
import overturn.procedure.Procedure;
import overturn.procedure.StateChanges;
import overturn.procedure.VehicleNeeds;
import overturn.suspect.Cure;
import overturn.suspect.Remedy;
import overturn.verdict.Assessment;
import overturn.verdict.Grade;

/** Simulated technicians, against whom an exercise is compared: each has a way of choosing what to do next. */
public enum Trainee {
    /** Does what the program proposes, until a verdict is proven or no test is worth its minutes. */
    PLANNER {
        @Override
        Optional<Step> next(At at) {
            return at.assessment()
                    .next()
                    .filter(Proposal::worthDoing)
                    .map(p -> new Step(p.procedure(), p.anotherRig()));
        }
    },
    /** Follows the chart of the family for what was felt, until a verdict is likely enough to act on. */
    CHART {
        @Override
        Optional<Step> next(At at) {
            return at.assessment().verdict().grade() != Grade.OPEN
                    ? Optional.empty()
                    : Chart.of(at.model, at.readings.get(0)).stream()
                            .filter(p -> at.done.stream().noneMatch(p.id()::equals))
                            .findFirst()
                            .map(p -> new Step(p, false));
        }
    },
    /** Tests nothing: replaces what is likeliest for the complaint, one after the other, until it is cured. */
    LIKELIHOOD {
        @Override
        Optional<Step> next(At at) {
            return Optional.empty();
        }

        @Override
        Route ended(At at, HiddenTruth truth, Workshop workshop) {
            List<Cure> order = at.assessment().history().now().cures().entrySet().stream()
                    .sorted(Map.Entry.<Cure, Double>comparingByValue(Comparator.reverseOrder())
                            .thenComparing(e -> e.getKey().mask()))
                    .map(Map.Entry::getKey)
                    .filter(c -> !c.equals(Cure.LOOK_ELSEWHERE) && !c.equals(Cure.HAND_BACK))
                    .toList();
            Cure named = order.get(0);
            double tried = 0;
            for (int i = 0; i < order.size() && !named.cures(truth.cure()); i++) {
                named = named.and(order.get(i));
                tried += workshop.prices().inVainMinutes() / 2;
            }
            return Route.of(
                    List.of(),
                    at.minutes,
                    named,
                    at.assessment().verdict().grade(),
                    truth.cure(),
                    workshop.prices(),
                    tried);
        }
    },
    /** Does whatever test comes to mind, misreads one in six, and acts on what leads after a few. */
    CARELESS {
        @Override
        Optional<Step> next(At at) {
            List<Proposal> some = at.assessment().proposals().stream()
                    .filter(p -> at.done.stream().noneMatch(p.procedure().id()::equals))
                    .filter(p -> p.minutes() <= HASTY_MINUTES)
                    .toList();
            return at.readings.size() > HASTY_TESTS || some.isEmpty()
                    ? Optional.empty()
                    : Optional.of(
                            new Step(some.get(at.random.nextInt(some.size())).procedure(), false));
        }

        @Override
        ReadingValue entered(Procedure test, ReadingValue shown, RandomGenerator random) {
            return test.spec() instanceof Observation observation && random.nextDouble() < MISREAD
                    ? new ReadingValue.Observed(observation
                            .options()
                            .get(random.nextInt(observation.options().size())))
                    : shown;
        }
    };

    /** Tests after which an exercise ends as it stands; chosen. */
    private static final int MOST_TESTS = 16;
    /** Longest test that a careless one takes the time for, min; chosen. */
    private static final double HASTY_MINUTES = 8;
    /** Tests after which a careless one acts; chosen. */
    private static final int HASTY_TESTS = 4;
    /** Share of looks that a careless one enters wrongly; chosen. */
    private static final double MISREAD = 1.0 / 6;

    /** Stable id, in small letters. */
    public String id() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** A test, with the rig in use or another one. */
    record Step(Procedure procedure, boolean anotherRig) {}

    /** Where a trainee stands with the vehicle. */
    static final class At {
        private final LayoutModel model;
        private final RandomGenerator random;
        private final List<Reading> readings = new ArrayList<>();
        private final List<String> done = new ArrayList<>();
        private final Map<String, Integer> setUps = new HashMap<>();
        private @Nullable Assessment latest;
        private VehicleNeeds state = VehicleNeeds.SEAT;
        private double minutes;

        private At(LayoutModel model, RandomGenerator random) {
            this.model = model;
            this.random = random;
        }

        private Assessment assessment() {
            return Objects.requireNonNull(latest, "assessed before it is asked");
        }
    }

    abstract Optional<Step> next(At at);

    /** What is entered where this was shown. */
    ReadingValue entered(Procedure test, ReadingValue shown, RandomGenerator random) {
        return shown;
    }

    /** What comes of what is believed at the end. */
    Route ended(At at, HiddenTruth truth, Workshop workshop) {
        return Route.of(
                at.done,
                at.minutes,
                Cure.of(at.assessment().verdict().remedies().toArray(Remedy[]::new)),
                at.assessment().verdict().grade(),
                truth.cure(),
                workshop.prices(),
                0);
    }

    /** Drives an exercise to its verdict; whoever does the same test on the same vehicle reads the same. */
    public Route drive(LayoutModel model, HiddenRig rig, Intake intake, Workshop workshop, long seed) {
        At at = new At(model, new SplittableRandom(seed));
        take(at, rig, new Step(model.procedures().intake(), false));
        assess(at, intake, workshop);
        while (at.done.size() < MOST_TESTS) {
            Optional<Step> next = next(at);
            if (next.isEmpty()) {
                break;
            }
            Procedure test = next.get().procedure();
            at.minutes += test.minutes()
                    + StateChanges.minutes(StateChanges.closed(at.state), StateChanges.closed(test.needs()));
            take(at, rig, next.get());
            at.done.add(test.id());
            at.state = test.needsFrom(at.state);
            assess(at, intake, workshop);
        }
        return ended(at, rig.truth(), workshop);
    }

    private static void assess(At at, Intake intake, Workshop workshop) {
        at.latest = Assessment.of(at.model, intake, at.readings, at.state, Set.of(), workshop);
    }

    private void take(At at, HiddenRig rig, Step step) {
        Procedure test = step.procedure();
        int setUp = at.setUps.merge(test.rigSetup(), 0, (used, none) -> used + (step.anotherRig() ? 1 : 0));
        int time = (int) at.done.stream().filter(test.id()::equals).count();
        HiddenRig.Shown shown = rig.read(test, setUp, time);
        at.readings.add(new Reading(
                "reading-" + at.readings.size(),
                test.id(),
                entered(test, shown.value(), at.random),
                RigSetup.name(test.rigSetup(), setUp + 1),
                shown.doubtful() ? RigTrust.DOUBTFUL : RigTrust.PROVEN));
    }
}
