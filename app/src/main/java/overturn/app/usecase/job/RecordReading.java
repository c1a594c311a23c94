package overturn.app.usecase.job;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import overturn.app.job.Entry.ReadingTaken;
import overturn.app.job.Entry.ReadingTaken.StoredCode;
import overturn.app.job.LoggedEntry;
import overturn.app.usecase.Checks;
import overturn.app.usecase.InvalidInputException;
import overturn.app.usecase.NotFoundException;
import overturn.app.usecase.Stamp;
import overturn.app.usecase.job.Jobs.Log;
import overturn.app.usecase.job.LogWriter.Behind;
import overturn.catalogue.ProcedureCatalogue;
import overturn.evidence.RigSetup;
import overturn.measurement.Figure;
import overturn.measurement.ReadingSpec.Observation;
import overturn.measurement.ReadingSpec.Series;
import overturn.measurement.ReadingValue;
import overturn.measurement.ReadingValue.Figures;
import overturn.measurement.ReadingValue.Observed;
import overturn.measurement.RigTrust;
import overturn.procedure.Procedure;
import overturn.quantity.MeasureUnit;
import overturn.quantity.QuantityFormatException;
import overturn.quantity.QuantityParser;
import overturn.quantity.TypedQuantity;

/** Records a reading exactly as typed, after checking that physics allows it. */
@Component
public class RecordReading {

    private static final Map<String, RigTrust> RIG_CHECKS =
            Map.of("sound", RigTrust.PROVEN, "not-checked", RigTrust.NORMAL, "doubtful", RigTrust.DOUBTFUL);

    /** Of many strange figures so many are named in the answer. */
    private static final int MOST_NAMED = 10;

    private final LogWriter writer;
    private final Jobs jobs;
    private final ProveVehicle prove;

    RecordReading(LogWriter writer, Jobs jobs, ProveVehicle prove) {
        this.prove = prove;
        this.writer = writer;
        this.jobs = jobs;
    }

    /** A figure as typed; {@code text} null or blank where none was taken. */
    public record TypedFigure(
            @Nullable String id,
            @Nullable String text,
            @Nullable String unit) {}

    /**
     * A reading as sent.
     *
     * @param figures for a series
     * @param observed for an observation
     * @param rigCheck sound, doubtful or not-checked
     * @param anotherRig whether the rig was built anew
     * @param codes what a code reader showed; null where none was read
     */
    public record Draft(
            Stamp stamp,
            @Nullable String procedureId,
            List<TypedFigure> figures,
            @Nullable String observed,
            @Nullable String rigCheck,
            boolean anotherRig,
            @Nullable List<StoredCode> codes) {}

    /**
     * Records one reading.
     *
     * @throws InvalidInputException naming every figure that cannot be taken
     * @throws NotFoundException if there is no such job
     */
    public Log record(UUID jobId, Draft draft) {
        Log read = jobs.read(jobId);
        ProcedureCatalogue procedures = read.sheet().procedures();
        Optional<Procedure> procedure = Optional.ofNullable(draft.procedureId()).flatMap(procedures::find);
        Checks checks = new Checks()
                .that(procedure::isPresent, "procedureId", draft.procedureId(), knownTests(procedures))
                .that(
                        () -> draft.rigCheck() != null && RIG_CHECKS.containsKey(draft.rigCheck()),
                        "rigCheck",
                        draft.rigCheck(),
                        "sound, doubtful or not-checked");
        Optional<ReadingValue> value = procedure.flatMap(p -> p.spec() instanceof Series series
                ? figures(series, draft, checks)
                : observation((Observation) p.spec(), draft, checks));
        List<StoredCode> codes = codes(draft, procedure, checks);
        checks.orThrow();
        String procedureId = Objects.requireNonNull(draft.procedureId());
        Log taken = writer.append(
                read,
                draft.stamp(),
                Behind.REBASED,
                seen -> ReadingTaken.of(
                                procedureId,
                                procedure.orElseThrow().spec(),
                                value.orElseThrow(),
                                setup(procedure.orElseThrow(), draft.anotherRig(), seen),
                                Objects.requireNonNull(RIG_CHECKS.get(draft.rigCheck()), "checked before"))
                        .with(codes));
        return prove.readFor(taken, draft.stamp(), procedureId);
    }

    private static List<StoredCode> codes(Draft draft, Optional<Procedure> procedure, Checks checks) {
        if (draft.codes() == null) {
            return List.of();
        }
        List<StoredCode> codes = draft.codes().stream()
                .filter(Objects::nonNull)
                .map(code -> new StoredCode(plain(code.number()), plain(code.text()), plain(code.often())))
                .toList();
        checks.that(
                () -> codes.isEmpty() || procedure.filter(Procedure::readsCodes).isPresent(),
                "codes",
                codes.size(),
                "none in this test");
        return codes;
    }

    private static String plain(String text) {
        return text == null ? "" : text.strip();
    }

    /** What a test's id may be, for answers to one that is none. */
    static String knownTests(ProcedureCatalogue procedures) {
        return "one of " + procedures.all().stream().map(Procedure::id).toList() + " or one of this layout's "
                + procedures.cutSets().size() + " cut sets";
    }

    private static Optional<ReadingValue> observation(Observation spec, Draft draft, Checks checks) {
        if (draft.observed() == null
                || !spec.options().contains(draft.observed())
                        && !draft.observed().equals(Observation.NOT_SEEN)) {
            checks.add("observed", draft.observed(), "one of " + spec.options() + " or " + Observation.NOT_SEEN);
            return Optional.empty();
        }
        return Optional.of(new Observed(draft.observed()));
    }

    private static Optional<ReadingValue> figures(Series spec, Draft draft, Checks checks) {
        List<TypedFigure> given = draft.figures() == null ? List.of() : draft.figures();
        List<String> ids = spec.figures().stream().map(Figure::id).toList();
        given.stream()
                .filter(g -> g.id() == null || !ids.contains(g.id()))
                .limit(MOST_NAMED)
                .forEach(g -> checks.add("figures", g.id(), "figures " + ids));
        if (given.stream().map(TypedFigure::id).distinct().count() != given.size()) {
            checks.add(
                    "figures",
                    given.stream().map(TypedFigure::id).limit(MOST_NAMED).toList(),
                    "each figure once");
        }
        List<Optional<TypedQuantity>> taken = new ArrayList<>();
        for (Figure figure : spec.figures()) {
            taken.add(given.stream()
                    .filter(g -> figure.id().equals(g.id())
                            && g.text() != null
                            && !g.text().isBlank())
                    .findFirst()
                    .flatMap(g -> typed(figure, g, checks)));
        }
        if (checks.sound() && taken.stream().noneMatch(Optional::isPresent)) {
            checks.add("figures", null, "at least one of " + ids);
        }
        return Optional.of(new Figures(taken));
    }

    private static Optional<TypedQuantity> typed(Figure figure, TypedFigure given, Checks checks) {
        String field = "figures." + figure.id();
        Optional<MeasureUnit> unit = given.unit() == null
                ? Optional.empty()
                : MeasureUnit.ofSymbol(given.unit()).filter(u -> u.dimension() == figure.dimension());
        if (unit.isEmpty()) {
            checks.add(
                    field + ".unit",
                    given.unit(),
                    "one of "
                            + MeasureUnit.of(figure.dimension()).stream()
                                    .map(MeasureUnit::symbol)
                                    .toList());
            return Optional.empty();
        }
        try {
            TypedQuantity quantity = QuantityParser.parse(Objects.requireNonNullElse(given.text(), ""), unit.get());
            if (!figure.allows(quantity.coreValue())) {
                checks.add(field, given.text() + " " + given.unit(), range(figure, unit.get()));
                return Optional.empty();
            }
            return Optional.of(quantity);
        } catch (QuantityFormatException e) {
            checks.add(field, given.text(), "a number such as 12.5, 12,5 or 1/2; " + range(figure, unit.get()));
            return Optional.empty();
        }
    }

    private static String range(Figure figure, MeasureUnit unit) {
        return Checks.range(unit.fromCore(figure.least()), unit.fromCore(figure.most()), unit.symbol());
    }

    /** The set-up in use, or the next one of its kind, by what stands before it in the log. */
    private static String setup(Procedure procedure, boolean anotherRig, List<LoggedEntry> seen) {
        String kind = procedure.rigSetup();
        long used = seen.stream()
                .map(LoggedEntry::entry)
                .filter(ReadingTaken.class::isInstance)
                .map(e -> ((ReadingTaken) e).rigSetup())
                .filter(setup -> RigSetup.kind(setup).equals(kind))
                .distinct()
                .count();
        return RigSetup.name(kind, (int) Math.max(1, used + (anotherRig && used > 0 ? 1 : 0)));
    }
}
