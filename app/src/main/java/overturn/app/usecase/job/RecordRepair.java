package overturn.app.usecase.job;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import overturn.app.job.Bleeding;
import overturn.app.job.Entry;
import overturn.app.job.Entry.PartMoved;
import overturn.app.job.JobState;
import overturn.app.job.LoggedEntry;
import overturn.app.job.PartState;
import overturn.app.job.RepairEntry.BleedingChosen;
import overturn.app.job.RepairEntry.CircuitRested;
import overturn.app.job.RepairEntry.FluidTaken;
import overturn.app.job.RepairEntry.LevelEntered;
import overturn.app.job.RepairEntry.StrokesBled;
import overturn.app.job.RepairEntry.WayChosen;
import overturn.app.job.RepairEntry.WorkStepDone;
import overturn.app.job.RepairState;
import overturn.app.people.Act;
import overturn.app.usecase.Checks;
import overturn.app.usecase.InvalidInputException;
import overturn.app.usecase.Stamp;
import overturn.app.usecase.job.Jobs.Log;
import overturn.app.usecase.job.LogWriter.Behind;
import overturn.app.usecase.workshop.TellWorkshop;
import overturn.bleeding.BleedEvent;
import overturn.bleeding.BleedSheet;
import overturn.circuit.Component.Reservoir;
import overturn.quantity.Dimension;
import overturn.quantity.MeasureUnit;
import overturn.quantity.QuantityFormatException;
import overturn.quantity.QuantityParser;
import overturn.quantity.TypedQuantity;
import overturn.repair.Asked;
import overturn.repair.ChangedLayout;
import overturn.repair.WorkStep;

/** What is done after the verdict: steps, strokes, levels, parts. */
@Component
public class RecordRepair {

    private final LogWriter writer;
    private final Jobs jobs;

    RecordRepair(LogWriter writer, Jobs jobs) {
        this.writer = writer;
        this.jobs = jobs;
    }

    /** A figure as typed. */
    public record Typed(String id, String text, @Nullable String unit) {}

    /**
     * Ticks steps of the plan that were done in one go.
     *
     * @param also keys of more steps, none of which asks for a figure; null or empty where there are none
     */
    public Log stepsDone(
            UUID jobId,
            Stamp stamp,
            String key,
            List<Typed> figures,
            @Nullable String why,
            @Nullable List<String> also) {
        List<String> more = also == null ? List.of() : also;
        if (more.isEmpty()) {
            return stepDone(jobId, stamp, key, figures, why);
        }
        Checks checks = new Checks();
        List<WorkStep> plan = accepted(jobs.read(jobId).state(), checks)
                .map(repair -> repair.plan().steps())
                .orElse(List.of());
        more.forEach(one -> checks.that(
                () -> plan.stream()
                        .anyMatch(step -> step.key().equals(one) && step.asks().isEmpty() && !step.bleedsAnEnd()),
                "also",
                one,
                "a step of the work plan that asks for no figure"));
        checks.orThrow();
        Log now = stepDone(jobId, stamp, key, figures, why);
        for (String one : more) {
            now = stepDone(jobId, stamp.along(one), one, List.of(), null);
        }
        return now;
    }

    /**
     * Ticks a step of the plan.
     *
     * @param why why a figure that differs from the list is taken; null or blank where none does
     * @throws InvalidInputException if the plan has no such step or a figure that it asks for is missing
     */
    public Log stepDone(UUID jobId, Stamp stamp, String key, List<Typed> figures, @Nullable String why) {
        return append(jobId, stamp, state -> {
            Checks checks = new Checks();
            Optional<RepairState> repair = accepted(state, checks);
            Optional<WorkStep> step = repair.flatMap(r -> r.plan().find(key == null ? "" : key));
            if (repair.isPresent() && step.isEmpty()) {
                checks.add("key", key, "a step of the work plan of this job");
            }
            step.filter(WorkStep::bleedsAnEnd)
                    .ifPresent(s -> checks.add(
                            "key", key, "a step other than bleeding an end: the bleed sheet says when it is done"));
            List<WorkStepDone.Measured> measured = new ArrayList<>();
            step.ifPresent(s ->
                    s.asks().forEach(asked -> measured(asked, figures, checks).ifPresent(measured::add)));
            step.ifPresent(s -> s.asks()
                    .forEach(asked -> measured.stream()
                            .filter(m -> m.id().equals(asked.id()))
                            .forEach(m -> checks.that(
                                    () -> ChangedLayout.possible(state.layout(), asked, m.value()),
                                    "figures." + asked.id(),
                                    m.text(),
                                    "a size that goes into the same place"))));
            String reason = why == null ? "" : why.strip();
            checks.that(
                    () -> reason.length() <= EntryRules.MOST_TEXT,
                    "why",
                    why,
                    "at most " + EntryRules.MOST_TEXT + " characters");
            checks.orThrow();
            return new WorkStepDone(key, measured, reason);
        });
    }

    private static Optional<WorkStepDone.Measured> measured(Asked asked, List<Typed> figures, Checks checks) {
        Optional<Typed> given = figures == null
                ? Optional.empty()
                : figures.stream()
                        .filter(f -> f != null && asked.id().equals(f.id()))
                        .findFirst();
        String field = "figures." + asked.id();
        return quantity(given, asked.dimension(), 0, EntryRules.MOST_MM, field, checks)
                .map(q ->
                        new WorkStepDone.Measured(asked.id(), q.text(), q.unit().symbol(), q.coreValue()));
    }

    private static Optional<TypedQuantity> quantity(
            Optional<Typed> given, Dimension dimension, double least, double most, String field, Checks checks) {
        String text = given.map(Typed::text).orElse("");
        MeasureUnit unit = given.map(Typed::unit)
                .flatMap(MeasureUnit::ofSymbol)
                .filter(u -> u.dimension() == dimension)
                .orElse(dimension.coreUnit());
        try {
            TypedQuantity typed = QuantityParser.parse(text == null ? "" : text, unit);
            if (typed.coreValue() >= least && typed.coreValue() <= most) {
                return Optional.of(typed);
            }
        } catch (QuantityFormatException e) {
            // Told below with what is allowed.
        }
        checks.add(field, text, Checks.range(least, most, dimension.coreUnit().symbol()));
        return Optional.empty();
    }

    /** Notes strokes at one end and what the last of them showed. */
    public Log strokes(UUID jobId, Stamp stamp, String endId, Integer count, String bubbles, String colour) {
        return append(jobId, stamp, state -> {
            Checks checks = new Checks();
            List<String> ends = ends(state, checks);
            checks.that(() -> endId != null && ends.contains(endId), "endId", endId, "one of " + ends)
                    .that(
                            () -> count != null && count >= 1 && count <= EntryRules.MOST_STROKES,
                            "count",
                            count,
                            "1 to " + EntryRules.MOST_STROKES)
                    .that(
                            () -> names(BleedEvent.Bubbles.values()).contains(bubbles),
                            "bubbles",
                            bubbles,
                            "one of " + names(BleedEvent.Bubbles.values()))
                    .that(
                            () -> names(BleedEvent.Colour.values()).contains(colour),
                            "colour",
                            colour,
                            "one of " + names(BleedEvent.Colour.values()))
                    .orThrow();
            return new StrokesBled(endId, count, bubbles, colour);
        });
    }

    /** Notes the level: as a mark ({@code max}, {@code min}) or mL above the minimum mark. */
    public Log level(UUID jobId, Stamp stamp, String text, @Nullable String unit) {
        return append(jobId, stamp, state -> {
            Checks checks = new Checks();
            sheet(state, checks);
            Reservoir reservoir = state.layout().reservoir();
            if ("max".equals(text) || "min".equals(text)) {
                checks.orThrow();
                return new LevelEntered(text, "", "max".equals(text) ? reservoir.minToMaxMl() : 0);
            }
            Optional<TypedQuantity> typed = quantity(
                    Optional.of(new Typed("text", text, unit)),
                    Dimension.VOLUME,
                    reservoir.emptyMl(),
                    reservoir.minToMaxMl(),
                    "text",
                    checks);
            checks.orThrow();
            return new LevelEntered(
                    typed.orElseThrow().text(),
                    typed.get().unit().symbol(),
                    typed.get().coreValue());
        });
    }

    /**
     * Notes how far a part has come.
     *
     * @param again whether a second one is meant where one is ordered or there
     * @throws InvalidInputException if it is ordered a second time without saying so
     */
    public Log partMoved(UUID jobId, Stamp stamp, String part, String partState, @Nullable String note, boolean again) {
        return append(jobId, stamp, state -> {
            String named = part == null ? "" : part.strip();
            String told = note == null ? "" : note.strip();
            List<String> states =
                    Arrays.stream(PartState.values()).map(PartState::id).toList();
            Optional<String> before = Optional.ofNullable(state.parts().get(named))
                    .filter(logged -> !logged.id().equals(stamp.entryId()))
                    .map(logged -> ((PartMoved) logged.entry()).state());
            boolean asked =
                    List.of(PartState.WANTED.id(), PartState.ORDERED.id()).contains(partState == null ? "" : partState);
            if (asked) {
                stamp.actor().require(Act.ORDER);
            }
            boolean second = asked
                    && before.flatMap(PartState::find)
                            .filter(PartState::underWay)
                            .isPresent();
            new Checks()
                    .text("part", named, EntryRules.MOST_PART)
                    .that(() -> states.contains(partState), "state", partState, "one of " + states)
                    .that(
                            () -> told.length() <= EntryRules.MOST_TEXT,
                            "note",
                            note,
                            "at most " + EntryRules.MOST_TEXT + " characters")
                    .that(
                            () -> !second || again,
                            "again",
                            before.orElse(""),
                            "true if a second one is meant: one is " + before.orElse("") + " already")
                    .orThrow();
            return new PartMoved(named, partState, told);
        });
    }

    /**
     * Bleeds this vehicle another way from here on.
     *
     * @param method stable id; null for the usual
     * @param order stable id; null for the usual
     * @param makersOrder ids of the ends as the maker gives them; null or empty where the workshop's order is kept
     * @param source where the maker gives them
     * @throws InvalidInputException if the maker's order does not name every end once
     */
    public Log bleeding(
            UUID jobId,
            Stamp stamp,
            @Nullable String method,
            @Nullable String order,
            @Nullable List<String> makersOrder,
            @Nullable String source) {
        return append(jobId, stamp, state -> {
            Checks checks = new Checks();
            List<String> ends = ends(state, checks);
            List<String> given = makersOrder == null ? List.of() : makersOrder;
            Bleeding bleeding = TellWorkshop.bleeding(method, order, checks);
            checks.that(
                    () -> given.isEmpty()
                            || given.size() == ends.size() && new HashSet<>(given).equals(new HashSet<>(ends)),
                    "makersOrder",
                    given,
                    "each end once: " + ends);
            if (given.isEmpty()) {
                checks.orThrow();
                return new BleedingChosen(bleeding, List.of(), "");
            }
            checks.text("source", source, EntryRules.MOST_PART).orThrow();
            return new BleedingChosen(
                    bleeding, given, Objects.requireNonNull(source).strip());
        });
    }

    /**
     * Does the plan another way from here on.
     *
     * @throws InvalidInputException if the school or its way is not known, no verdict is accepted, or the vehicle is
     *     released
     */
    public Log way(UUID jobId, Stamp stamp, String school, String way) {
        return append(jobId, stamp, state -> {
            Checks checks = new Checks();
            TellWorkshop.way(school, way, "way", checks);
            accepted(state, checks)
                    .flatMap(RepairState::released)
                    .ifPresent(released -> checks.add("way", way, "chosen before the vehicle is released"));
            checks.orThrow();
            return new WayChosen(school, way);
        });
    }

    /**
     * Notes from which can the circuit is filled.
     *
     * @throws InvalidInputException if it is of another kind than the circuit takes, saying what to do where that is in
     *     already
     */
    public Log fluid(UUID jobId, Stamp stamp, String fluid, String grade) {
        return append(jobId, stamp, state -> {
            Reservoir reservoir = state.layout().reservoir();
            String named = grade == null ? "" : grade.strip();
            Checks checks = new Checks();
            accepted(state, checks);
            checks.that(
                            () -> reservoir.fluid().id().equals(fluid),
                            "fluid",
                            fluid,
                            EntryRules.allowedFluid(fluid, reservoir))
                    .that(
                            () -> named.length() <= EntryRules.MOST_PART,
                            "grade",
                            grade,
                            "at most " + EntryRules.MOST_PART + " characters")
                    .orThrow();
            return new FluidTaken(fluid, named);
        });
    }

    private static List<String> ends(JobState state, Checks checks) {
        return sheet(state, checks)
                .map(s -> s.ends().stream().map(BleedSheet.End::id).toList())
                .orElse(List.of());
    }

    /** Notes that the circuit was left alone. */
    public Log rested(UUID jobId, Stamp stamp) {
        return append(jobId, stamp, state -> {
            Checks checks = new Checks();
            sheet(state, checks);
            checks.orThrow();
            return new CircuitRested();
        });
    }

    /** What was done since the verdict; that none is accepted is added to the checks. */
    static Optional<RepairState> accepted(JobState state, Checks checks) {
        Optional<RepairState> repair = state.repair();
        if (repair.isEmpty()) {
            checks.add("job", "no verdict accepted", "a job whose verdict is accepted");
        }
        return repair;
    }

    private static Optional<BleedSheet> sheet(JobState state, Checks checks) {
        Optional<BleedSheet> sheet = accepted(state, checks).flatMap(RepairState::sheet);
        if (sheet.isEmpty() && state.repair().isPresent()) {
            checks.add("job", "a plan that bleeds nothing", "a job whose work plan bleeds");
        }
        return sheet;
    }

    static List<String> names(Enum<?>[] values) {
        return Arrays.stream(values).map(v -> v.name().toLowerCase(Locale.ROOT)).toList();
    }

    private interface Made {
        Entry of(JobState state);
    }

    private Log append(UUID jobId, Stamp stamp, Made made) {
        Log read = jobs.read(jobId);
        return writer.append(read, stamp, Behind.REBASED, (List<LoggedEntry> seen) -> made.of(read.stateOf(seen)));
    }
}
