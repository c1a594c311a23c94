package overturn.bench.hidden;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import overturn.bench.hidden.Outcome.Claim;
import overturn.bench.hidden.Outcome.Covered;
import overturn.bench.hidden.Policy.Step;
import overturn.evidence.Reading;
import overturn.forecast.LayoutModel;
import overturn.inference.Belief;
import overturn.inference.BeliefHistory;
import overturn.inference.PlacesSeen;
import overturn.inference.RulerBands;
import overturn.learning.CauseShares;
import overturn.measurement.ReadingSpec;
import overturn.measurement.ReadingValue;
import overturn.planning.Prices;
import overturn.planning.Proposal;
import overturn.planning.TestPlanner;
import overturn.planning.Workshop;
import overturn.practice.Chart;
import overturn.procedure.Procedure;
import overturn.procedure.StateChanges;
import overturn.procedure.VehicleNeeds;
import overturn.repair.WorkPlan;
import overturn.suspect.Cure;
import overturn.suspect.Remedy;
import overturn.suspect.Repaired;
import overturn.verdict.Grade;
import overturn.verdict.VerdictRule;

/** One vehicle under several policies. What they believe after the same readings is worked out once. */
final class Trial {

    private static final int MOST_TESTS = 30;
    private static final int MOST_REPAIRS = 3;
    /** A specialist looks elsewhere: flat price in minutes, the same for all policies. */
    private static final double LOOK_ELSEWHERE_MINUTES = 240;
    /**
     * What the likelihood policy needs after each remedy to see whether the complaint is gone; it is never deceived.
     */
    private static final double SEEN_AT_ONCE_MINUTES = 10;

    /**
     * docs/method.md: hold, travel at the intake pressures, assist, port open, lamp, each wheel free, level, leaks,
     * warmed up; clutch: stroke, in gear, bite.
     */
    private static final List<String> PROVING = List.of(
            "driven",
            "reservoir",
            "hold-medium",
            "travel-at-forces",
            "assist-drop",
            "free-play",
            "return-time",
            "lamp-at-rest",
            "wheel-drag",
            "wheel-temperatures",
            "hot-then-soft",
            "slave-stroke",
            "held-in-gear",
            "frees-at",
            "dry-walk",
            "raised-walk",
            "steering-fluid-look",
            "reserve-strokes",
            "moisture-tester");

    private final LayoutModel model;
    private final Case vehicle;
    private final Workshop workshop;
    private final Workshop real;
    private final Prices prices;
    private final Procedure characterise;
    private final Map<List<String>, Known> known = new HashMap<>();

    /** Beliefs, verdict and, where asked for, the weighed tests after some readings. */
    private static final class Known {
        private final BeliefHistory history;
        private final VerdictRule.Named verdict;
        private final Map<VehicleNeeds, List<Proposal>> proposals = new HashMap<>();
        private double millis;

        private Known(BeliefHistory history, VerdictRule.Named verdict, double millis) {
            this.history = history;
            this.verdict = verdict;
            this.millis = millis;
        }
    }

    Trial(LayoutModel model, Case vehicle, Workshop workshop) {
        this(model, vehicle, workshop, workshop);
    }

    /**
     * @param workshop what the planner knows of the workshop
     * @param real how long tests take in truth
     */
    Trial(LayoutModel model, Case vehicle, Workshop workshop, Workshop real) {
        this.model = model;
        this.vehicle = vehicle;
        this.workshop = workshop;
        this.real = real;
        this.prices = workshop.prices();
        this.characterise = model.procedures().intake();
    }

    /** Where a policy stands with the vehicle. */
    private static final class Progress {
        private final List<String> path = new ArrayList<>();
        private final List<Claim> claims = new ArrayList<>();
        private final List<Double> millis = new ArrayList<>();
        private final List<Covered> covered = new ArrayList<>();
        private final Set<VehicleNeeds> opened = new LinkedHashSet<>();
        private final Map<String, Integer> rigs = new HashMap<>();
        private final Set<String> doneSinceRepair = new HashSet<>();
        private Repaired done = Repaired.NONE;
        private VehicleNeeds state = VehicleNeeds.SEAT;
        private double minutes;
        private int wrongParts;
        private int before;
        private boolean misled;
        private Known at;
    }

    Outcome of(Policy policy) {
        Progress progress = new Progress();
        Reading first = vehicle.take(characterise, 0, Repaired.NONE).reading();
        progress.path.add(first.id());
        progress.at = known(progress.path, () -> BeliefHistory.of(model, vehicle.intake, List.of(first)));
        progress.minutes = real.minutes(characterise);
        if (policy == Policy.LIKELIHOOD) {
            return replacedByLikelihood(progress);
        }
        choose(policy, progress);
        Known verdict = progress.at;
        int tests = progress.path.size() - 1;
        double minutes = progress.minutes;
        boolean cured = repaired(policy, progress);
        boolean firstRight = verdict.verdict.grade() != Grade.OPEN && right(verdict.verdict.cure());
        boolean right = vehicle.stratum == Stratum.PAIR ? cured && !progress.misled : firstRight;
        return new Outcome(
                policy,
                vehicle,
                verdict.verdict.cure(),
                verdict.verdict.grade(),
                firstRight,
                right,
                tests,
                minutes,
                progress.wrongParts,
                progress.minutes,
                progress.claims,
                progress.millis,
                List.copyOf(progress.path),
                progress.covered,
                CauseShares.of(
                        verdict.history.now(),
                        model.suspects(),
                        cured ? Optional.of(progress.done.all().orElse(Cure.HAND_BACK)) : Optional.empty()),
                CauseShares.of(verdict.history.now(), model.suspects(), Optional.empty()),
                firstRight ? part(verdict) : Optional.empty());
    }

    private Optional<Claim> part(Known verdict) {
        List<Remedy> remedies = verdict.verdict.cure().remedies();
        List<String> parts = remedies.size() == 1 ? WorkPlan.places(model.layout(), remedies.get(0)) : List.of();
        if (parts.size() < 2 || vehicle.parts.isEmpty()) {
            return Optional.empty();
        }
        return verdict.history.now().places().of(remedies.get(0), parts, PlacesSeen.NONE).entrySet().stream()
                .findFirst()
                .map(first -> new Claim(first.getValue(), vehicle.parts.contains(first.getKey())));
    }

    /** Whether a cure named cures; of a sound vehicle only that nothing is needed. */
    private boolean right(Cure named) {
        return vehicle.cure.equals(Cure.HAND_BACK) ? named.equals(Cure.HAND_BACK) : named.includes(vehicle.cure);
    }

    private void choose(Policy policy, Progress progress) {
        if (policy == Policy.EVERYTHING) {
            readAll(
                    progress,
                    model.procedures().all().stream()
                            .filter(p -> workshop.canDo(p)
                                    && !p.equals(characterise)
                                    && !progress.doneSinceRepair.contains(p.id()))
                            .toList());
        } else {
            diagnose(policy, progress);
        }
    }

    private void diagnose(Policy policy, Progress progress) {
        while (progress.path.size() - progress.before <= MOST_TESTS && progress.at.verdict.grade() != Grade.PROVEN) {
            Optional<Step> next = policy.next(new Here(progress));
            if (next.isEmpty()) {
                break;
            }
            Procedure procedure = next.get().procedure();
            Case.Taken taken = vehicle.take(procedure, rig(progress, next.get()), progress.done);
            cover(progress, procedure, taken.reading());
            progress.doneSinceRepair.add(procedure.id());
            progress.minutes += taken.extraMinutes()
                    + real.minutes(procedure)
                    + StateChanges.minutes(StateChanges.closed(progress.state), StateChanges.closed(procedure.needs()));
            if (procedure.needs().opened() != VehicleNeeds.Opened.NOTHING) {
                progress.opened.add(StateChanges.openedAlone(procedure.needs()));
            }
            progress.state = procedure.needsFrom(progress.state);
            progress.path.add(taken.reading().id());
            BeliefHistory before = progress.at.history;
            progress.at = known(progress.path, () -> before.with(List.of(taken.reading())));
            if (progress.done.isEmpty()) {
                Belief now = progress.at.history.now();
                Remedy leader = now.leadingRemedy();
                progress.claims.add(new Claim(now.probability(leader), vehicle.needs(leader)));
            }
            progress.millis.add(progress.at.millis);
        }
        progress.minutes += StateChanges.minutes(StateChanges.closed(progress.state), VehicleNeeds.SEAT);
        progress.state = VehicleNeeds.SEAT;
    }

    /** Before the first repair: whether each figure lies in the band of the one suspect that is there. */
    private void cover(Progress progress, Procedure procedure, Reading reading) {
        if (oneCauseBeforeRepair(progress) && reading.value() instanceof ReadingValue.Figures figures) {
            List<RulerBands.Band> bands = RulerBands.of(
                    progress.at.history.now(), procedure, vehicle.causes.get(0).id());
            for (int k = 0; k < bands.size(); k++) {
                RulerBands.Band band = bands.get(k);
                double read = figures.taken().get(k).orElseThrow().coreValue();
                double middle = (band.low() + band.high()) / 2;
                String figure = procedure.id() + " "
                        + ((ReadingSpec.Series) procedure.spec())
                                .figures()
                                .get(k)
                                .id();
                progress.covered.add(new Covered(
                        progress.path.size(),
                        figure,
                        (read - middle) / Math.max(1e-9, (band.high() - band.low()) / 2)));
            }
        }
    }

    private boolean oneCauseBeforeRepair(Progress progress) {
        return progress.done.isEmpty() && (vehicle.stratum == Stratum.SINGLE || vehicle.stratum == Stratum.SOUND);
    }

    /** The set-up in use of its rig, or the next one; a rig once made anew stays in use. */
    private static int rig(Progress progress, Step step) {
        return progress.rigs.merge(step.procedure().rigSetup(), 0, (used, none) -> used + (step.again() ? 1 : 0));
    }

    /**
     * Does what each verdict names and tests what is left, until the vehicle is handed back; whether it is cured then.
     */
    private boolean repaired(Policy policy, Progress progress) {
        for (int repair = 0; repair < MOST_REPAIRS; repair++) {
            Cure named = progress.at.verdict.cure();
            Cure needed = vehicle.needed(progress.done);
            progress.misled |= progress.at.verdict.grade() == Grade.OPEN
                    || named.remedies().stream().anyMatch(r -> !needed.has(r));
            if (named.equals(Cure.HAND_BACK) || named.equals(Cure.LOOK_ELSEWHERE)) {
                break;
            }
            progress.wrongParts += fitted(progress, named, needed);
            progress.done = progress.done.and(named);
            BeliefHistory repaired = progress.at.history.repaired(named);
            progress.path.add("repaired@" + named.mask());
            progress.at = known(progress.path, () -> repaired);
            prove(progress, named.remedies().stream().anyMatch(r -> !needed.has(r)));
            progress.before = progress.path.size();
            choose(policy, progress);
        }
        boolean cured = vehicle.needed(progress.done).equals(Cure.HAND_BACK);
        boolean sentOn = progress.at.verdict.cure().equals(Cure.LOOK_ELSEWHERE);
        progress.minutes += closing(progress.opened, progress.done)
                + (sentOn ? LOOK_ELSEWHERE_MINUTES : cured ? 0 : prices.comebackMinutes() + LOOK_ELSEWHERE_MINUTES);
        return cured;
    }

    /**
     * The checks that every repair is proved with; after a repair that was needed they are the same for all policies,
     * and left out.
     */
    private void prove(Progress progress, boolean charged) {
        progress.doneSinceRepair.clear();
        List<Procedure> checks = PROVING.stream()
                .flatMap(id -> model.procedures().find(id).stream())
                .toList();
        readAll(progress, checks);
        progress.minutes +=
                charged ? checks.stream().mapToDouble(Procedure::minutes).sum() : 0;
    }

    private void readAll(Progress progress, List<Procedure> tests) {
        List<Reading> readings = tests.stream()
                .map(test -> vehicle.take(test, rig(progress, new Step(test, false)), progress.done)
                        .reading())
                .toList();
        tests.forEach(test -> progress.doneSinceRepair.add(test.id()));
        readings.forEach(r -> progress.path.add(r.id()));
        BeliefHistory before = progress.at.history;
        progress.at = known(progress.path, () -> before.with(readings));
    }

    /** Charges what is fitted for nothing, and returns how many parts of it there are. */
    private int fitted(Progress progress, Cure named, Cure needed) {
        int wrongParts = 0;
        for (Remedy remedy : named.remedies()) {
            if (!needed.has(remedy)) {
                progress.minutes += prices.of(remedy);
                wrongParts += remedy.partsPriceMinutes() > 0 ? 1 : 0;
            }
        }
        return wrongParts;
    }

    private Outcome replacedByLikelihood(Progress progress) {
        Cure named = progress.at.verdict.cure();
        Grade grade = progress.at.verdict.grade();
        double minutes = progress.minutes;
        List<Cure> order = progress.at.history.now().cures().entrySet().stream()
                .sorted(Map.Entry.<Cure, Double>comparingByValue(Comparator.reverseOrder())
                        .thenComparing(e -> e.getKey().mask()))
                .map(Map.Entry::getKey)
                .toList();
        for (Cure cure : order) {
            Cure needed = vehicle.needed(progress.done);
            long fresh = cure.mask() & ~progress.done.all().map(Cure::mask).orElse(0L);
            if (fresh != 0 && !cure.equals(Cure.LOOK_ELSEWHERE)) {
                progress.wrongParts += fitted(progress, new Cure(fresh), needed);
                progress.done = progress.done.and(cure);
                progress.minutes += SEEN_AT_ONCE_MINUTES;
            }
            if (vehicle.needed(progress.done).equals(Cure.HAND_BACK)) {
                break;
            }
        }
        boolean right = grade != Grade.OPEN && right(named);
        return new Outcome(
                Policy.LIKELIHOOD,
                vehicle,
                named,
                grade,
                right,
                right,
                0,
                minutes,
                progress.wrongParts,
                progress.minutes,
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                Map.of(),
                Map.of(),
                Optional.empty());
    }

    private Known known(List<String> path, Supplier<BeliefHistory> history) {
        Known before = known.get(path);
        if (before == null) {
            long from = System.nanoTime();
            BeliefHistory now = history.get();
            before = new Known(now, VerdictRule.of(model, workshop).named(now), (System.nanoTime() - from) / 1e6);
            known.put(List.copyOf(path), before);
        }
        return before;
    }

    private final class Here implements Policy.Position {
        private final Progress progress;

        private Here(Progress progress) {
            this.progress = progress;
        }

        @Override
        public List<Proposal> proposals() {
            Known at = progress.at;
            return at.proposals.computeIfAbsent(progress.state, s -> {
                long from = System.nanoTime();
                List<Proposal> all = TestPlanner.of(model, workshop).rank(at.history, s, Set.of());
                at.millis += (System.nanoTime() - from) / 1e6;
                return all;
            });
        }

        @Override
        public List<Procedure> chart() {
            return Chart.of(model, progress.at.history.readings().get(0));
        }

        @Override
        public boolean done(Procedure procedure) {
            return progress.doneSinceRepair.contains(procedure.id());
        }

        @Override
        public boolean repaired() {
            return !progress.done.isEmpty();
        }

        @Override
        public boolean clear() {
            return progress.at.verdict.grade() != Grade.OPEN;
        }
    }

    /** Closing and bleeding owed for what tests opened, unless a remedy opens the circuit anyway. */
    private static double closing(Set<VehicleNeeds> opened, Repaired done) {
        boolean openedAnyway =
                done.cures().stream().flatMap(c -> c.remedies().stream()).anyMatch(Remedy::opensCircuit);
        return openedAnyway
                ? 0
                : opened.stream()
                        .mapToDouble(StateChanges::closingMinutes)
                        .max()
                        .orElse(0);
    }
}
