package overturn.app.usecase.job;

import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import overturn.app.job.Entry;
import overturn.app.job.Entry.DataErased;
import overturn.app.job.Entry.EntryStruck;
import overturn.app.job.Entry.FittingsTakenOff;
import overturn.app.job.Entry.JobOpened;
import overturn.app.job.Entry.JobWithdrawn;
import overturn.app.job.Entry.NoteWritten;
import overturn.app.job.Entry.PartMoved;
import overturn.app.job.Entry.PhotoTaken;
import overturn.app.job.Entry.ReadingTaken;
import overturn.app.job.Entry.ReadingTaken.StoredCode;
import overturn.app.job.Entry.TestSetAside;
import overturn.app.job.Entry.TraceKept;
import overturn.app.job.Entry.VerdictAccepted;
import overturn.app.job.Entry.WalkSeen;
import overturn.app.job.RepairEntry.BleedingChosen;
import overturn.app.job.RepairEntry.CheckDone;
import overturn.app.job.RepairEntry.FluidTaken;
import overturn.app.job.RepairEntry.JobReleased;
import overturn.app.job.RepairEntry.LevelEntered;
import overturn.app.job.RepairEntry.StrokesBled;
import overturn.app.job.RepairEntry.WayChosen;
import overturn.app.job.RepairEntry.WorkStepDone;
import overturn.app.usecase.Checks;
import overturn.app.usecase.layout.LayoutSheets.Sheet;
import overturn.circuit.Component.FluidKind;
import overturn.circuit.Component.Reservoir;
import overturn.measurement.ReadingSpec.Series;
import overturn.measurement.ReadingValue.Figures;
import overturn.measurement.ReadingValue.Observed;
import overturn.procedure.Procedure;
import overturn.quantity.MeasureUnit;
import overturn.quantity.PlainText;
import overturn.quantity.QuantityFormatException;
import overturn.quantity.QuantityParser;
import overturn.quantity.TypedQuantity;
import overturn.words.Words;

/**
 * What an entry may say on a circuit, whatever stands before it and wherever it comes from: one rule for what is typed
 * here and for what a file brings. What is not known any more (a test, a remedy) is no fault: it counts for nothing.
 */
final class EntryRules {

    /** Longest texts, characters. */
    static final int MOST_VEHICLE = 80;

    static final int MOST_COMPLAINT = 2000;
    static final int MOST_WHY = 400;
    static final int MOST_TEXT = 400;
    static final int MOST_NOTE = 2000;
    static final int MOST_PART = 80;
    static final int MOST_CAPTION = 200;
    /** Of a kept trace: two minutes at ten a second. */
    static final int MOST_TRACE_VALUES = 1200;

    private static final double LEAST_STEP_SECONDS = 0.02;
    private static final double MOST_STEP_SECONDS = 10;
    private static final double MOST_TRACE_SECONDS = 600;
    private static final double MOST_TRACE_VALUE = 100_000;
    static final int MOST_STROKES = 200;
    static final int MOST_WORK = 12;
    static final int MOST_CODES = 40;
    static final int MOST_CODE = 20;
    /** More than any part of such a circuit measures, mm. */
    static final double MOST_MM = 500;

    private static final int MOST_ID = 200;
    /** Driven between two checks. */
    static final int MOST_DRIVEN_KM = 10_000;

    private static final int MOST_TYPED = 40;
    private static final int MOST_ITEMS = 200;
    private static final int MOST_REMEDIES = 2;
    private static final double SAME = 1e-6;
    private static final Pattern DIGEST = Pattern.compile("[0-9a-f]{64}");

    private final Checks checks;
    private final String at;

    private EntryRules(Checks checks, String at) {
        this.checks = checks;
        this.at = at;
    }

    /**
     * Adds a finding for everything that could not have been entered here.
     *
     * @param at where the entry stands, put before the name of each field
     */
    static void check(Entry entry, Sheet sheet, String at, Checks checks) {
        new EntryRules(checks, at).check(entry, sheet);
    }

    private void check(Entry entry, Sheet sheet) {
        if (entry instanceof JobOpened opened) {
            check(opened);
        } else if (entry instanceof ReadingTaken taken) {
            check(taken, sheet);
        } else if (entry instanceof VerdictAccepted verdict) {
            check(verdict);
        } else if (entry instanceof NoteWritten note) {
            check(note);
        } else if (entry instanceof WorkStepDone step) {
            check(step);
        } else if (entry instanceof StrokesBled strokes) {
            id("endId", strokes.endId());
            that(
                    strokes.count() >= 1 && strokes.count() <= MOST_STROKES,
                    "count",
                    strokes.count(),
                    "1 to " + MOST_STROKES);
        } else if (entry instanceof LevelEntered level) {
            check(level, sheet.layout().reservoir());
        } else if (entry instanceof BleedingChosen chosen) {
            id("bleeding.method", chosen.bleeding().method());
            id("bleeding.order", chosen.bleeding().order());
            ids("makersOrder", chosen.makersOrder());
            most("source", chosen.source(), MOST_PART);
        } else if (entry instanceof WayChosen chosen) {
            id("school", chosen.school());
            id("way", chosen.way());
        } else if (entry instanceof FluidTaken fluid) {
            check(fluid, sheet.layout().reservoir());
        } else if (entry instanceof CheckDone check) {
            id("checkId", check.checkId());
            most("seen", check.seen(), MOST_TEXT);
            most("readingId", check.readingId(), MOST_ID);
            that(
                    check.drivenKm() >= 0 && check.drivenKm() <= MOST_DRIVEN_KM,
                    "drivenKm",
                    check.drivenKm(),
                    "0 to " + MOST_DRIVEN_KM);
        } else if (entry instanceof JobReleased release) {
            most("secondId", release.secondId(), MOST_ID);
        } else if (entry instanceof PartMoved moved) {
            text("part", moved.part(), MOST_PART);
            most("note", moved.note(), MOST_TEXT);
        } else if (entry instanceof PhotoTaken photo) {
            that(DIGEST.matcher(photo.sha256()).matches(), "sha256", photo.sha256(), "64 hexadecimal digits");
            most("caption", photo.caption(), MOST_CAPTION);
            most("procedureId", photo.procedureId(), MOST_ID);
        } else if (entry instanceof TraceKept trace) {
            check(trace);
        } else {
            checkWords(entry);
        }
    }

    private void check(TraceKept trace) {
        id("procedureId", trace.procedureId());
        text("instrument", trace.instrument(), MOST_PART);
        that(MeasureUnit.ofSymbol(trace.unit()).isPresent(), "unit", trace.unit(), "a unit of the list");
        that(
                trace.stepSeconds() >= LEAST_STEP_SECONDS && trace.stepSeconds() <= MOST_STEP_SECONDS,
                "stepSeconds",
                trace.stepSeconds(),
                Checks.range(LEAST_STEP_SECONDS, MOST_STEP_SECONDS, "s"));
        that(
                Math.abs(trace.fromSeconds()) <= MOST_TRACE_SECONDS,
                "fromSeconds",
                trace.fromSeconds(),
                Checks.range(-MOST_TRACE_SECONDS, MOST_TRACE_SECONDS, "s"));
        that(
                trace.values().size() >= 2
                        && trace.values().size() <= MOST_TRACE_VALUES
                        && trace.values().stream().allMatch(v -> Double.isFinite(v) && Math.abs(v) <= MOST_TRACE_VALUE),
                "values",
                trace.values().size() + " values",
                "2 to " + MOST_TRACE_VALUES + " numbers");
    }

    private void checkWords(Entry entry) {
        if (entry instanceof TestSetAside aside) {
            id("procedureId", aside.procedureId());
            text("why", aside.why(), MOST_WHY);
        } else if (entry instanceof FittingsTakenOff off) {
            ids("items", off.items());
        } else if (entry instanceof EntryStruck strike) {
            text("why", strike.why(), MOST_WHY);
        } else if (entry instanceof DataErased erased) {
            text("why", erased.why(), MOST_WHY);
        } else if (entry instanceof JobWithdrawn withdrawn) {
            text("why", withdrawn.why(), MOST_WHY);
        } else if (entry instanceof WalkSeen walk) {
            ids("spots", walk.spots().stream().map(WalkSeen.Spot::componentId).toList());
            ids("spots", walk.spots().stream().map(WalkSeen.Spot::state).toList());
        }
    }

    private void check(JobOpened opened) {
        text("vehicle", opened.vehicle(), MOST_VEHICLE);
        text("complaint", opened.complaint(), MOST_COMPLAINT);
        most("hunchId", opened.hunchId(), MOST_ID);
        that(
                opened.work().size() <= MOST_WORK,
                "work",
                opened.work().size(),
                "at most " + MOST_WORK + " pieces of work");
        opened.work().forEach(work -> {
            id("work.area", work.area());
            id("work.kind", work.kind());
            id("work.bled", work.bled());
        });
        ids("facts", opened.facts());
        about(opened.about(), this.checks, at);
    }

    /** What may be told of vehicle and order, and how much of it. */
    static void about(Map<String, String> about, Checks checks, String at) {
        about.forEach((what, text) -> {
            checks.that(() -> JobOpened.ABOUT.contains(what), at + "about", what, "any of " + JobOpened.ABOUT);
            checks.that(
                    () -> text != null && text.length() <= MOST_PART && PlainText.keeps(text),
                    at + "about." + what,
                    text,
                    "at most " + MOST_PART + " characters");
        });
    }

    private void check(ReadingTaken taken, Sheet sheet) {
        id("procedureId", taken.procedureId());
        id("rigSetup", taken.rigSetup());
        checkCodes(taken);
        if (!(taken.value() instanceof Figures figures)) {
            return;
        }
        that(figures.taken().size() <= MOST_ITEMS, "figures", figures.taken().size(), "at most " + MOST_ITEMS);
        that(
                new HashSet<>(taken.figureIds()).size() == taken.figureIds().size(),
                "figures",
                taken.figureIds(),
                "each figure once");
        figures.taken().forEach(figure -> figure.ifPresent(q -> typed("figures", q.text(), q.unit(), q.coreValue())));
        sheet.procedures()
                .find(taken.procedureId())
                .map(Procedure::spec)
                .filter(Series.class::isInstance)
                .map(Series.class::cast)
                .ifPresent(series -> taken.in(series).ifPresent(value -> possible((Figures) value, series)));
    }

    private void checkCodes(ReadingTaken taken) {
        that(taken.codes().size() <= MOST_CODES, "codes", taken.codes().size(), "at most " + MOST_CODES);
        taken.codes().forEach(code -> {
            that(!(code.number() + code.text()).isBlank(), "codes", "", "a number or what it says");
            most("codes.number", code.number(), MOST_CODE);
            most("codes.text", code.text(), MOST_CAPTION);
            that(StoredCode.OFTEN.contains(code.often()), "codes.often", code.often(), "one of " + StoredCode.OFTEN);
        });
        that(
                taken.codes().isEmpty()
                        || !(taken.value() instanceof Observed seen)
                        || !seen.option().equals("none"),
                "observed",
                "none",
                "what the codes given are about");
    }

    private void possible(Figures figures, Series series) {
        for (int i = 0; i < figures.taken().size(); i++) {
            int place = i;
            Optional<TypedQuantity> quantity = figures.taken().get(i);
            quantity.ifPresent(q -> that(
                    series.figures().get(place).allows(q.coreValue()),
                    "figures." + series.figures().get(place).id(),
                    q.text(),
                    Checks.range(
                            series.figures().get(place).least(),
                            series.figures().get(place).most(),
                            q.unit().dimension().coreUnit().symbol())));
        }
    }

    private void check(VerdictAccepted verdict) {
        List<String> remedies = verdict.remedyIds();
        that(
                !remedies.isEmpty()
                        && remedies.size() <= MOST_REMEDIES
                        && new HashSet<>(remedies).size() == remedies.size(),
                "remedyIds",
                remedies,
                "one remedy or two");
        ids("remedyIds", remedies);
        that(verdict.probability() >= 0 && verdict.probability() <= 1, "probability", verdict.probability(), "0 to 1");
        that(
                verdict.carrierIds().size() <= MOST_ITEMS,
                "carrierIds",
                verdict.carrierIds().size(),
                "at most " + MOST_ITEMS);
        most("why", verdict.why(), MOST_WHY);
        ids("places", verdict.places());
        id("bleeding.method", verdict.bleeding().method());
        id("bleeding.order", verdict.bleeding().order());
        ids("schools", List.copyOf(verdict.schools().keySet()));
        ids("schools", List.copyOf(verdict.schools().values()));
    }

    private void check(WorkStepDone step) {
        id("key", step.key());
        that(step.measured().size() <= MOST_ITEMS, "measured", step.measured().size(), "at most " + MOST_ITEMS);
        step.measured().forEach(m -> {
            id("measured.id", m.id());
            Optional<MeasureUnit> unit = MeasureUnit.ofSymbol(m.unit());
            that(unit.isPresent(), "measured." + m.id() + ".unit", m.unit(), "the symbol of a unit, for example mm");
            that(
                    m.value() >= 0 && m.value() <= MOST_MM,
                    "measured." + m.id(),
                    m.value(),
                    Checks.range(0, MOST_MM, "mm"));
            unit.ifPresent(u -> typed("measured." + m.id(), m.text(), u, m.value()));
        });
        most("why", step.why(), MOST_WHY);
    }

    private void check(FluidTaken fluid, Reservoir reservoir) {
        that(
                fluid.fluid().equals(reservoir.fluid().id()),
                "fluid",
                fluid.fluid(),
                allowedFluid(fluid.fluid(), reservoir));
        most("grade", fluid.grade(), MOST_PART);
    }

    private static String word(String id) {
        return Words.all().getOrDefault(id, id);
    }

    /** The one kind of fluid that this circuit takes, and what to do where another is in it already. */
    static String allowedFluid(@Nullable String given, Reservoir reservoir) {
        String takes = word("fluid." + reservoir.fluid().id());
        return FluidKind.find(given == null ? "" : given).isPresent()
                ? word("fluid.refused").replace("{takes}", takes).replace("{given}", word("fluid." + given))
                : "one of "
                        + Arrays.stream(FluidKind.values()).map(FluidKind::id).toList();
    }

    private void check(LevelEntered level, Reservoir reservoir) {
        double lowest = reservoir.emptyMl();
        that(
                level.aboveMinimumMl() >= lowest && level.aboveMinimumMl() <= reservoir.minToMaxMl(),
                "aboveMinimumMl",
                level.aboveMinimumMl(),
                Checks.range(lowest, reservoir.minToMaxMl(), "mL"));
        most("text", level.text(), MOST_TYPED);
        most("unit", level.unit(), MOST_TYPED);
    }

    private void check(NoteWritten note) {
        text("text", note.text(), note.calculatorId().isEmpty() ? MOST_NOTE : MOST_TEXT);
        most("calculatorId", note.calculatorId(), MOST_ID);
        that(note.inputs().size() <= MOST_ITEMS, "inputs", note.inputs().size(), "at most " + MOST_ITEMS);
        note.inputs().forEach(input -> {
            id("inputs.id", input.id());
            most("inputs.text", input.text(), MOST_TYPED);
            most("inputs.unit", input.unit(), MOST_TYPED);
        });
        that(note.outputs().size() <= MOST_ITEMS, "outputs", note.outputs().size(), "at most " + MOST_ITEMS);
        note.outputs().forEach(output -> {
            id("outputs.id", output.id());
            most("outputs.unit", output.unit(), MOST_TYPED);
        });
        that(note.notices().size() <= MOST_ITEMS, "notices", note.notices().size(), "at most " + MOST_ITEMS);
        note.notices().forEach(notice -> most("notices", notice, MOST_TEXT));
    }

    /** What was typed is what the core's value says. */
    private void typed(String field, String text, MeasureUnit unit, double coreValue) {
        most(field, text, MOST_TYPED);
        try {
            double meant = QuantityParser.parse(text, unit).coreValue();
            that(
                    Math.abs(meant - coreValue) <= SAME * Math.max(1, Math.abs(meant)),
                    field,
                    text + " " + unit.symbol() + " as " + coreValue,
                    "the value of what was typed, " + meant);
        } catch (QuantityFormatException e) {
            checks.add(at + field, text, "a number such as 12.5, 12,5 or 1/2");
        }
    }

    private void that(boolean holds, String field, Object given, String allowed) {
        checks.that(() -> holds, at + field, given, allowed);
    }

    private void text(String field, String given, int most) {
        checks.text(at + field, given, most);
    }

    private void most(String field, String given, int most) {
        that(given.length() <= most, field, given, "at most " + most + " characters");
    }

    private void id(String field, String given) {
        that(!given.isBlank() && given.length() <= MOST_ID, field, given, "a stable id");
    }

    private void ids(String field, List<String> given) {
        that(given.size() <= MOST_ITEMS, field, given.size(), "at most " + MOST_ITEMS);
        given.stream().limit(MOST_ITEMS).forEach(one -> id(field, one));
    }
}
