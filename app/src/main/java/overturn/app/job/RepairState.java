package overturn.app.job;

import static overturn.course.Progress.Release.CONDITIONAL;
import static overturn.course.Progress.Release.FINAL;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import overturn.app.job.Entry.VerdictAccepted;
import overturn.app.job.RepairEntry.FluidTaken;
import overturn.app.job.RepairEntry.JobReleased;
import overturn.app.job.RepairEntry.WorkStepDone;
import overturn.app.workshop.Staff.Person;
import overturn.bleeding.BleedSheet;
import overturn.bleeding.Schools;
import overturn.circuit.Layout;
import overturn.course.Progress;
import overturn.proving.Gate;
import overturn.proving.Proving;
import overturn.repair.WorkPlan;
import overturn.repair.WorkSchools;
import overturn.repair.WorkStep;
import overturn.suspect.Remedy;

/**
 * The half of a job after the verdict: the fold of its log since the verdict that stands was accepted.
 *
 * @param plan what is done
 * @param done who did which step, by its key
 * @param mismatched steps of which a figure differs from the list and nobody said why it was taken
 * @param sheet the bleed sheet, where the plan bleeds
 * @param schools how it is bled
 * @param orderSource where the maker gives the order of the ends; empty while the workshop's order is kept
 * @param outcomes the latest outcome of each check
 * @param early checks of the next day that were done before it had come
 * @param proving gates
 * @param released the latest release, while nothing was opened, fitted, moved, struck or found since
 * @param takenBack whether there was a release that does not hold any more
 * @param already steps that a test has done, by their keys, and the entries of these tests
 * @param closedAt by gate, when what it checks was last opened, fitted or moved, or, for the next day, released
 * @param nextDayFrom from when on the checks of the next day count; empty while it was not released since it was last
 *     closed
 * @param fluid the can from which it is filled; empty until somebody says
 * @param secondChecked who looked at the checks as they stand, another person than the one who releases
 */
public record RepairState(
        WorkPlan plan,
        Map<String, LoggedEntry> done,
        Set<String> mismatched,
        Optional<BleedSheet> sheet,
        Schools schools,
        String orderSource,
        Map<String, LoggedEntry> outcomes,
        Map<String, LoggedEntry> already,
        Map<String, LoggedEntry> early,
        Proving proving,
        Optional<LoggedEntry> released,
        boolean takenBack,
        Optional<Instant> nextDayFrom,
        Map<Gate, Instant> closedAt,
        Optional<UUID> cameBackAs,
        Optional<FluidTaken> fluid,
        Set<String> secondChecked) {

    /** After so long trapped air has moved and a weep shows; a night. Estimate. */
    public static final Duration UNTIL_NEXT_DAY = Duration.ofHours(8);

    /** After so far trapped air has moved and a weep shows, km, whatever the hour. Estimate. */
    public static final int SET_DISTANCE_KM = 50;

    /** A log is folded many times, and its plan stays the same. */
    private static final Cache<Planned, WorkPlan> PLANS =
            Caffeine.newBuilder().maximumSize(500).build();

    /** Empty while no verdict is accepted. */
    static Optional<RepairState> of(JobState state, Layout layout) {
        return state.accepted().map(verdict -> new RepairFold(state, layout, verdict).repair());
    }

    /** The plan of an accepted verdict. */
    static WorkPlan plan(VerdictAccepted verdict, Layout layout, WorkSchools schools) {
        List<Remedy> remedies = new ArrayList<>();
        Map<Remedy, String> places = new EnumMap<>(Remedy.class);
        for (int i = 0; i < verdict.remedyIds().size(); i++) {
            Remedy remedy = remedy(verdict.remedyIds().get(i));
            remedies.add(remedy);
            List<String> offered = WorkPlan.places(layout, remedy);
            String place = i < verdict.places().size() ? verdict.places().get(i) : offered.get(0);
            places.put(remedy, offered.contains(place) ? place : offered.get(0));
        }
        return PLANS.get(
                new Planned(layout, remedies, places, schools),
                asked -> WorkPlan.of(layout, remedies, places, schools));
    }

    private record Planned(Layout layout, List<Remedy> remedies, Map<Remedy, String> places, WorkSchools schools) {}

    private static Remedy remedy(String id) {
        for (Remedy remedy : Remedy.values()) {
            if (remedy.id().equals(id)) {
                return remedy;
            }
        }
        throw new IllegalArgumentException("Impossible: remedy " + id);
    }

    /**
     * Whether a step stops the plan: a figure differs from the list, or two do not go together, and nobody said why
     * they are taken.
     */
    static boolean stops(WorkStep planned, WorkStepDone step) {
        Map<String, Double> measured =
                step.measured().stream().collect(Collectors.toMap(m -> m.id(), m -> m.value(), (one, other) -> other));
        boolean differs = planned.asks().stream()
                .anyMatch(asked -> measured.containsKey(asked.id()) && asked.differs(measured.get(asked.id())));
        return step.why().isBlank() && (differs || planned.together().stream().anyMatch(two -> two.apart(measured)));
    }

    /**
     * When the next day has come after a conditional release: after a night, or as soon as it was driven far enough.
     */
    static Instant nextDay(Instant releasedAt, int drivenKm) {
        return drivenKm >= SET_DISTANCE_KM ? releasedAt : releasedAt.plus(UNTIL_NEXT_DAY);
    }

    /** A release is not believed: it holds if the gates were through when it was signed, behind all their checks. */
    boolean letsThrough(JobReleased release, LoggedEntry logged) {
        boolean through = release.conditional() ? proving.mayBeReleasedConditionally() : proving.mayBeReleased();
        boolean behind =
                outcomes.values().stream().noneMatch(seen -> seen.takenAt().isAfter(logged.takenAt()));
        return through && behind || release.byEarlierGates() && !Person.isElsewhere(logged.personId());
    }

    /** What decides where the job stands. */
    Progress progress() {
        return new Progress(
                open(plan.steps()),
                open(plan.beforeBled()),
                !done.isEmpty(),
                sheet,
                proving,
                released.map(logged -> ((JobReleased) logged.entry()).conditional() ? CONDITIONAL : FINAL),
                takenBack,
                cameBackAs.map(UUID::toString));
    }

    /** A part that differs stops the plan: its step comes first. */
    private List<WorkStep> open(List<WorkStep> steps) {
        return steps.stream()
                .filter(step -> isOpen(step, done, already))
                .sorted(Comparator.comparing(step -> !mismatched.contains(step.key())))
                .toList();
    }

    /** Whether a step has still to be done before the vehicle is proved. */
    static boolean isOpen(WorkStep step, Map<String, LoggedEntry> done, Map<String, LoggedEntry> already) {
        return !step.optional()
                && !step.bleedsAnEnd()
                && !done.containsKey(step.key())
                && !already.containsKey(step.key());
    }
}
