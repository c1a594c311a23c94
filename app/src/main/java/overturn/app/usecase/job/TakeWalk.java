package overturn.app.usecase.job;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import overturn.app.job.Entry.WalkSeen;
import overturn.app.job.Entry.WalkSeen.Spot;
import overturn.app.job.JobState;
import overturn.app.usecase.Checks;
import overturn.app.usecase.InvalidInputException;
import overturn.app.usecase.Stamp;
import overturn.app.usecase.job.Jobs.Log;
import overturn.app.usecase.job.LogWriter.Behind;
import overturn.catalogue.ProcedureCatalogue;
import overturn.circuit.Component.Master;
import overturn.circuit.Component.Reservoir;
import overturn.circuit.Layout;
import overturn.inference.PlacesSeen.State;
import overturn.measurement.ReadingSpec.Observation;
import overturn.procedure.Procedure;

/**
 * The first walk round a vehicle, told at once: each look and each kind of wet spot becomes a reading of its own, and
 * what was not looked at says nothing.
 */
@Component
public class TakeWalk {

    /** Looks that belong to a walk though none of them has to come first. */
    private static final String FLUID = "fluid-look";

    private static final String EYE = "sound";
    private static final String WET = "wet";
    private static final String DAMP = "damp";
    private static final String DRY = "all-dry";
    private static final String WET_AT_MASTER = "wet-at-master-face";
    private static final String WET_UNDER_RESERVOIR = "wet-under-reservoir";

    private final LogWriter writer;
    private final Jobs jobs;
    private final RecordReading readings;

    TakeWalk(LogWriter writer, Jobs jobs, RecordReading readings) {
        this.writer = writer;
        this.jobs = jobs;
        this.readings = readings;
    }

    /**
     * Tests that are looked at on the walk, the walk itself last.
     *
     * @param procedures of the circuit
     */
    public static List<Procedure> looks(ProcedureCatalogue procedures) {
        return Stream.concat(
                        procedures.all().stream()
                                .filter(p -> p.gate() && p.spec() instanceof Observation)
                                .filter(p -> !p.id().equals(JobState.DRY_WALK)),
                        Stream.of(FLUID, JobState.DRY_WALK)
                                .map(procedures::find)
                                .flatMap(Optional::stream))
                .distinct()
                .toList();
    }

    /**
     * Takes a walk into the log.
     *
     * @param looks by test, what was seen; null or empty where nothing was
     * @param spots by part, dry, damp or wet; null or empty where nothing was looked at
     * @param restDry whether every other part was looked at and is dry
     * @throws InvalidInputException naming every field that is wrong; nothing is written then
     */
    public Log take(UUID jobId, Stamp stamp, Map<String, String> looks, Map<String, String> spots, boolean restDry) {
        Log read = jobs.read(jobId);
        Map<String, String> told = looks == null ? Map.of() : looks;
        Map<String, String> seen = spots == null ? Map.of() : spots;
        check(read, told, seen, restDry);
        List<Look> all = new ArrayList<>();
        looks(read.sheet().procedures()).stream()
                .filter(p -> told.containsKey(p.id()))
                .forEach(p -> all.add(new Look(p.id(), told.getOrDefault(p.id(), ""))));
        ofSpots(read.sheet().layout(), seen, restDry).forEach(option -> all.add(new Look(JobState.DRY_WALK, option)));
        if (!seen.isEmpty() || restDry) {
            writer.append(
                    read,
                    stamp,
                    Behind.REBASED,
                    log -> new WalkSeen(spots(read.sheet().layout(), seen, restDry)));
        }
        for (Look look : all) {
            readings.record(
                    jobId,
                    new RecordReading.Draft(
                            stamp.along(look.procedureId() + " " + look.option()),
                            look.procedureId(),
                            List.of(),
                            look.option(),
                            EYE,
                            false,
                            null));
        }
        return jobs.read(jobId);
    }

    private record Look(String procedureId, String option) {}

    private static void check(Log read, Map<String, String> looks, Map<String, String> spots, boolean restDry) {
        Map<String, Observation> known = looks(read.sheet().procedures()).stream()
                .filter(p -> !p.id().equals(JobState.DRY_WALK))
                .collect(Collectors.toMap(Procedure::id, p -> (Observation) p.spec()));
        List<String> parts = parts(read.sheet().layout());
        List<String> states = Stream.of(State.values())
                .map(s -> s.name().toLowerCase(Locale.ROOT))
                .toList();
        Checks checks = new Checks();
        checks.that(
                () -> !looks.isEmpty() || !spots.isEmpty() || restDry,
                "spots",
                "",
                "at least one thing that was looked at");
        looks.forEach((id, option) -> checks.that(
                () -> known.containsKey(id) && known.get(id).options().contains(option == null ? "" : option),
                "looks." + id,
                option,
                known.containsKey(id) ? "one of " + known.get(id).options() : "one of the looks " + known.keySet()));
        spots.forEach((part, state) -> checks.that(
                        () -> parts.contains(part), "spots." + part, part, "a part of this circuit: " + parts)
                .that(() -> states.contains(state), "spots." + part, state, "one of " + states));
        checks.orThrow();
    }

    /** Parts that fluid can be seen at. */
    public static List<String> parts(Layout layout) {
        return layout.components().stream()
                .filter(c -> !(c instanceof overturn.circuit.Input))
                .map(overturn.circuit.Component::id)
                .toList();
    }

    private static List<Spot> spots(Layout layout, Map<String, String> seen, boolean restDry) {
        return parts(layout).stream()
                .filter(part -> restDry || seen.containsKey(part))
                .map(part ->
                        new Spot(part, seen.getOrDefault(part, State.DRY.name().toLowerCase(Locale.ROOT))))
                .toList();
    }

    /** What a walk reads: all dry only where everything was looked at, and each kind of wet place once. */
    private static Set<String> ofSpots(Layout layout, Map<String, String> seen, boolean restDry) {
        Set<String> options = new LinkedHashSet<>();
        seen.forEach((part, state) -> {
            if (state.equals(WET)) {
                overturn.circuit.Component at = layout.component(part);
                options.add(at instanceof Master ? WET_AT_MASTER : at instanceof Reservoir ? WET_UNDER_RESERVOIR : WET);
            }
        });
        if (options.isEmpty() && seen.containsValue(DAMP)) {
            options.add(DAMP);
        }
        if (options.isEmpty() && (restDry || seen.keySet().containsAll(parts(layout)))) {
            options.add(DRY);
        }
        return options;
    }
}
