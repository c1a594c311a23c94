package overturn.app.usecase.job;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import overturn.app.job.Entry;
import overturn.app.job.Entry.VerdictAccepted;
import overturn.app.job.LoggedEntry;
import overturn.app.people.Act;
import overturn.app.practice.Exercises;
import overturn.app.usecase.Checks;
import overturn.app.usecase.EntryIdTakenException;
import overturn.app.usecase.Finding;
import overturn.app.usecase.InvalidInputException;
import overturn.app.usecase.Stamp;
import overturn.app.usecase.job.Jobs.Job;
import overturn.app.usecase.job.Jobs.Log;
import overturn.app.workshop.WorkshopLog;
import overturn.app.workshop.WorkshopSettings;
import overturn.circuit.Layout;
import overturn.evidence.Reading;
import overturn.repair.WorkPlan;
import overturn.suspect.Cure;
import overturn.suspect.Remedy;
import overturn.suspect.Suspect;
import overturn.verdict.Grade;
import overturn.verdict.Verdict;

/**
 * Accepts the verdict that was on the screen, if it still stands; on less than proof it asks why and is recorded as
 * assumed.
 */
@Component
public class AcceptVerdict {

    private final LogWriter writer;
    private final Jobs jobs;
    private final WorkshopLog workshop;
    private final Exercises exercises;

    AcceptVerdict(LogWriter writer, Jobs jobs, WorkshopLog workshop, Exercises exercises) {
        this.exercises = exercises;
        this.writer = writer;
        this.jobs = jobs;
        this.workshop = workshop;
    }

    /**
     * What was on the screen when it was accepted.
     *
     * @param remedyIds the remedy, or both of a pair, as shown
     * @param grade as shown
     * @param places for each remedy where it is done; empty for the most suspected of the places that it can have
     */
    public record Shown(List<String> remedyIds, String grade, List<String> places) {}

    /**
     * Accepts it. In an exercise whoever practises names what they believe, whatever the program does: that is taken as
     * a guess where it is another.
     *
     * @throws VerdictChangedException if another verdict stands now
     * @throws InvalidInputException if the verdict is not proven and no reason is given
     */
    public Log accept(UUID jobId, Stamp stamp, Shown shown, String why) {
        new Checks()
                .that(
                        () -> shown.remedyIds() != null && !shown.remedyIds().isEmpty(),
                        "remedyIds",
                        shown.remedyIds(),
                        "the remedies that were shown")
                .that(() -> shown.grade() != null, "grade", shown.grade(), "the grade that was shown")
                .orThrow();
        stamp.actor().require(Grade.PROVEN.name().equals(shown.grade()) ? Act.ACCEPT_PROVEN : Act.ACCEPT_UNPROVEN);
        Log read = jobs.read(jobId);
        String reason = why == null ? "" : why.strip();
        if (read.entries().stream().anyMatch(e -> e.id().equals(stamp.entryId()))) {
            return writer.append(read, stamp, seen -> again(read, stamp, shown, reason));
        }
        Job job = jobs.of(read);
        Function<Remedy, String> placeOf = remedy -> first(job.placesOf(remedy));
        if (exercises.find(jobId).isPresent()) {
            VerdictAccepted named = named(job, shown, reason, placeOf);
            return writer.append(read, stamp, seen -> named);
        }
        Verdict verdict = job.verdict().orElseThrow(() -> nothingNew(job));
        return writer.append(read, stamp, seen -> {
            if (seen.size() < read.entries().size()) {
                throw new VerdictChangedException(shown, verdict, true);
            }
            return accepted(verdict, shown, reason, read.sheet().layout(), placeOf, workshop.latest());
        });
    }

    /** What whoever practises names: as the verdict stands where it is the same, otherwise a guess. */
    private VerdictAccepted named(Job job, Shown shown, String why, Function<Remedy, String> placeOf) {
        Verdict verdict = job.assessment().verdict();
        Layout layout = job.model().layout();
        WorkshopSettings settings = workshop.latest();
        if (remedyIds(verdict).equals(shown.remedyIds())) {
            return asItStands(verdict, why, placeOf, settings, UUID::fromString);
        }
        Set<Remedy> known = job.model().suspects().stream().map(Suspect::remedy).collect(Collectors.toSet());
        known.addAll(Set.of(Remedy.HAND_BACK, Remedy.LOOK_ELSEWHERE));
        List<Remedy> remedies = shown.remedyIds().stream()
                .flatMap(id -> Remedy.find(id).filter(known::contains).stream())
                .distinct()
                .toList();
        new Checks()
                .that(
                        () -> remedies.size() == shown.remedyIds().size() && remedies.size() <= 2,
                        "remedyIds",
                        shown.remedyIds(),
                        "one or two remedies of this circuit")
                .text("why", why, EntryRules.MOST_WHY)
                .orThrow();
        return new VerdictAccepted(
                shown.remedyIds(),
                Grade.OPEN,
                job.assessment().history().now().probability(Cure.of(remedies.toArray(Remedy[]::new))),
                List.of(),
                List.of(),
                why,
                remedies.stream().map(placeOf).toList(),
                settings.bleeding().by(settings.helper()),
                settings.schools().ids());
    }

    private static InvalidInputException nothingNew(Job job) {
        return new InvalidInputException(List.of(new Finding(
                "verdict", job.status().stage().id(), "one that says more than the one that was accepted")));
    }

    /** Sent twice: it is the entry in the log if it says the same. */
    private static Entry again(Log read, Stamp stamp, Shown shown, String why) {
        return read.entries().stream()
                .filter(e -> e.id().equals(stamp.entryId()))
                .map(LoggedEntry::entry)
                .filter(VerdictAccepted.class::isInstance)
                .map(VerdictAccepted.class::cast)
                .filter(v -> v.remedyIds().equals(shown.remedyIds())
                        && v.grade().name().equals(shown.grade())
                        && v.why().equals(why))
                .findFirst()
                .orElseThrow(() -> new EntryIdTakenException(stamp.entryId()));
    }

    /**
     * The entry by which a verdict is accepted as it stands, each remedy where {@code placeOf} says.
     *
     * @param entryOf the entry of a reading, by the reading's id
     */
    public static VerdictAccepted asItStands(
            Verdict verdict,
            String why,
            Function<Remedy, String> placeOf,
            WorkshopSettings settings,
            Function<String, UUID> entryOf) {
        List<String> places = verdict.remedies().stream().map(placeOf).toList();
        return new VerdictAccepted(
                remedyIds(verdict),
                verdict.grade(),
                verdict.probability(),
                verdict.carriers().stream().map(Reading::id).map(entryOf).toList(),
                verdict.missing(),
                why,
                places,
                settings.bleeding().by(settings.helper()),
                settings.schools().ids());
    }

    private static VerdictAccepted accepted(
            Verdict verdict,
            Shown shown,
            String why,
            Layout layout,
            Function<Remedy, String> placeOf,
            WorkshopSettings settings) {
        List<String> remedyIds = remedyIds(verdict);
        if (!remedyIds.equals(shown.remedyIds()) || !verdict.grade().name().equals(shown.grade())) {
            throw new VerdictChangedException(shown, verdict, false);
        }
        Checks checks = new Checks();
        if (verdict.grade() != Grade.PROVEN) {
            checks.text("why", why, EntryRules.MOST_WHY);
        } else {
            checks.that(
                    () -> why.length() <= EntryRules.MOST_WHY,
                    "why",
                    why,
                    "at most " + EntryRules.MOST_WHY + " characters");
        }
        List<String> places = shown.places().isEmpty()
                ? verdict.remedies().stream().map(placeOf).toList()
                : shown.places();
        for (int i = 0; i < verdict.remedies().size(); i++) {
            List<String> offered = WorkPlan.places(layout, verdict.remedies().get(i));
            @Nullable String given = i < places.size() ? places.get(i) : null;
            checks.that(
                    () -> given != null && offered.contains(given), "places[" + i + "]", given, "one of " + offered);
        }
        checks.orThrow();
        VerdictAccepted standing = asItStands(verdict, why, placeOf, settings, UUID::fromString);
        return new VerdictAccepted(
                standing.remedyIds(),
                standing.grade(),
                standing.probability(),
                standing.carrierIds(),
                standing.missing(),
                why,
                places,
                settings.bleeding().by(settings.helper()),
                settings.schools().ids());
    }

    /** The most suspected of the places where a remedy can be done. */
    public static String first(Map<String, Double> places) {
        return places.keySet().iterator().next();
    }

    /** The remedies of a verdict in the order in which they are shown. */
    public static List<String> remedyIds(Verdict verdict) {
        return verdict.remedies().stream().map(Remedy::id).toList();
    }
}
