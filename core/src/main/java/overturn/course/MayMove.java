package overturn.course;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import overturn.proving.Gate;
import overturn.proving.Proving.State;
import overturn.suspect.Hazard;
import overturn.suspect.Suspect;
import overturn.verdict.Driving;

/**
 * Whether the vehicle may be moved: by what was told, what was decided, what is on or off, what was proved. A judgement
 * of the trade (docs/trade-figures.md), never a permission.
 *
 * @param because what asks for it, the weightiest first; empty where nothing stands against it
 */
public record MayMove(Answer answer, List<Reason> because) {

    public MayMove {
        because = List.copyOf(because);
    }

    /** How far, the least first. */
    public enum Answer {
        /** It came back, and another job is about it now: what that says holds. */
        SAID_BY_THE_LATER_JOB,
        NOT_AT_ALL,
        /** On the flat of the yard, to be proved there. */
        IN_THE_YARD,
        /** On a quiet road, by a licensed driver, to be proved there. */
        TO_BE_PROVED,
        TO_THE_WORKSHOP,
        UNTIL_RECHECK,
        /** It was released. */
        RELEASED
    }

    /** What stands against it; {@code subject} is an id where the kind asks for one. */
    public record Reason(Kind kind, String subject) {

        /** Where it comes from. */
        public enum Kind {
            /** A live suspect, by its id. */
            SUSPECT,
            /** A fault that may be in no list. */
            UNLISTED,
            /** Told at intake: it stays where it is. */
            STAYS,
            /** Told at intake, by the id of the fact. */
            FACT,
            /** Something is on, off or moved, by its item. */
            ITEM,
            /** A check failed, by its id. */
            CHECK,
            /** Repaired in part, or not yet proved as far as this gate, by its id. */
            GATE,
            /** It came back after its release. */
            CAME_BACK
        }
    }

    /**
     * What was told at intake.
     *
     * @param stays whether it was said to stay where it is
     * @param facts ids of plain facts
     */
    public record Told(boolean stays, Set<String> facts) {

        public Told {
            facts = Set.copyOf(facts);
        }
    }

    /** Facts with which a vehicle does not stop reliably, whatever the fault is. */
    private static final List<String> END_THE_DRIVE = List.of("barely-stops", "to-the-floor");

    /**
     * The answer.
     *
     * @param clutch whether it is the clutch that fails, which strands a vehicle and does not take its brakes
     * @param byBelief what the live suspects ask for
     */
    static MayMove of(
            JobStage stage,
            Optional<Progress> progress,
            Set<String> onOffMoved,
            Told told,
            boolean clutch,
            Driving byBelief) {
        return switch (stage) {
            case RELEASED -> new MayMove(Answer.RELEASED, List.of());
            case RELEASED_CONDITIONALLY -> new MayMove(Answer.UNTIL_RECHECK, List.of());
            case COMEBACK -> new MayMove(Answer.SAID_BY_THE_LATER_JOB, List.of(new Reason(Reason.Kind.CAME_BACK, "")));
            case TRACING, ACCEPTED, GIVEN_UP -> faulty(onOffMoved, told, clutch, byBelief);
            case WAITING ->
                progress.filter(Progress::begun).isPresent()
                        ? proved(progress.get(), onOffMoved)
                        : faulty(onOffMoved, told, clutch, byBelief);
            default -> proved(progress.orElseThrow(), onOffMoved);
        };
    }

    /** Before anything is repaired. */
    private static MayMove faulty(Set<String> onOffMoved, Told told, boolean clutch, Driving byBelief) {
        List<Reason> ends = items(onOffMoved);
        if (told.stays()) {
            ends.add(new Reason(Reason.Kind.STAYS, ""));
        }
        Answer byFacts = clutch ? Answer.TO_THE_WORKSHOP : Answer.NOT_AT_ALL;
        List<Reason> facts = END_THE_DRIVE.stream()
                .filter(told.facts()::contains)
                .map(fact -> new Reason(Reason.Kind.FACT, fact))
                .toList();
        if (!ends.isEmpty() || byFacts == Answer.NOT_AT_ALL && !facts.isEmpty()) {
            ends.addAll(facts);
            return new MayMove(Answer.NOT_AT_ALL, ends);
        }
        Answer answer = switch (byBelief.answer()) {
            case NOT_AT_ALL -> Answer.NOT_AT_ALL;
            case TO_THE_WORKSHOP -> Answer.TO_THE_WORKSHOP;
            case UNTIL_RECHECK -> facts.isEmpty() ? Answer.UNTIL_RECHECK : byFacts;
        };
        List<Reason> because = new ArrayList<>(facts);
        byBelief.because().stream()
                .map(Suspect::id)
                .map(id -> new Reason(Reason.Kind.SUSPECT, id))
                .forEach(because::add);
        if (because.isEmpty() && byBelief.answer() == Hazard.TO_THE_WORKSHOP) {
            because.add(new Reason(Reason.Kind.UNLISTED, ""));
        }
        return new MayMove(answer, because);
    }

    /** Once it is being repaired: as far as it is proved. */
    private static MayMove proved(Progress progress, Set<String> onOffMoved) {
        List<Reason> items = items(onOffMoved);
        progress.proving().gates().stream()
                .flatMap(gate -> gate.failed().stream())
                .map(check -> new Reason(Reason.Kind.CHECK, check))
                .forEach(items::add);
        boolean failed = !items.isEmpty();
        boolean chocks = progress.proving().at(Gate.CHOCKS).state() == State.PASSED;
        boolean yard = progress.proving().at(Gate.YARD).state() == State.PASSED;
        if (!chocks) {
            items.add(new Reason(Reason.Kind.GATE, Gate.CHOCKS.id()));
        }
        if (!chocks || failed) {
            return new MayMove(Answer.NOT_AT_ALL, items);
        }
        Gate next = yard ? Gate.ROAD : Gate.YARD;
        return new MayMove(
                yard ? Answer.TO_BE_PROVED : Answer.IN_THE_YARD, List.of(new Reason(Reason.Kind.GATE, next.id())));
    }

    private static List<Reason> items(Set<String> onOffMoved) {
        return new ArrayList<>(onOffMoved.stream()
                .sorted(Comparator.naturalOrder())
                .map(item -> new Reason(Reason.Kind.ITEM, item))
                .toList());
    }
}
