package overturn.words;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import overturn.bleeding.Schools;
import overturn.calculation.Calculator;
import overturn.calculation.Calculators;
import overturn.calculation.Result;
import overturn.catalogue.ProcedureCatalogue;
import overturn.circuit.Component.FluidKind;
import overturn.circuit.Family;
import overturn.circuit.Layout;
import overturn.circuit.Segment;
import overturn.course.Decided;
import overturn.course.JobStage;
import overturn.course.MayMove;
import overturn.course.NextAct;
import overturn.inference.PlainFact;
import overturn.inference.WorkDone;
import overturn.instrument.InstrumentKind;
import overturn.layoutfile.Presets;
import overturn.measurement.ReadingSpec.Observation;
import overturn.measurement.ReadingSpec.Series;
import overturn.practice.ExerciseKind;
import overturn.practice.ExerciseLevel;
import overturn.practice.HiddenTruth;
import overturn.practice.Lesson;
import overturn.practice.RigState;
import overturn.practice.Trainee;
import overturn.procedure.Needed;
import overturn.procedure.Procedure;
import overturn.procedure.Procedure.RigKind;
import overturn.procedure.Step;
import overturn.procedure.VehicleWords;
import overturn.proving.Checks;
import overturn.proving.Gate;
import overturn.proving.Proving.Blocker;
import overturn.repair.School;
import overturn.repair.Section;
import overturn.repair.WorkPlan;
import overturn.repair.WorkSchools;
import overturn.repair.WorkStep;
import overturn.suspect.Remedy;
import overturn.suspect.SuspectCatalogue;
import overturn.verdict.CatalogueVersion;

/** Everything that can be shown has its words, and no word is left over. */
class WordsTest {

    private static final Map<String, String> WORDS = Words.all();
    private static final Set<String> FORCES =
            Set.of("gentle", "easy", "stroke", "medium", "running", "place", "places");

    /** What the plans of each layout need. */
    private static final Map<Layout, Set<String>> PLANNED =
            Presets.all().stream().collect(Collectors.toMap(layout -> layout, WordsTest::neededByPlans));

    private static Set<String> needed() {
        Set<String> ids = new TreeSet<>(Set.of(
                "suspect.none-of-these",
                "suspect.none-of-these.shows",
                "option.not-seen",
                "rig.sound",
                "rig.doubtful",
                "rig.not-checked",
                "caution.not-to-be-driven",
                "caution.before-opening",
                "caution.out-of-scope",
                "caution.not-modelled"));
        for (Family family : Family.values()) {
            ids.add("family." + family.id());
        }
        for (Segment segment : Segment.values()) {
            ids.add("segment." + segment.name().toLowerCase(Locale.ROOT));
        }
        for (RigKind rig : RigKind.values()) {
            ids.add("rig." + rig.id());
            if (rig.dispensable()) {
                ids.add("rig." + rig.id() + ".without");
            }
        }
        for (Layout layout : Presets.all()) {
            layout.components().forEach(c -> ids.add("component." + c.id()));
            SuspectCatalogue.of(layout)
                    .forEach(s -> ids.addAll(List.of("suspect." + s.id(), "suspect." + s.id() + ".shows")));
            ProcedureCatalogue.of(layout).all().forEach(p -> ids.addAll(neededBy(p, layout)));
            ProcedureCatalogue.of(layout).cutSets().forEach(test -> ids.addAll(neededBy(test.procedure(), layout)));
        }
        for (Layout layout : Presets.all()) {
            Calculators.of(layout).forEach(c -> ids.addAll(neededBy(c, layout)));
        }
        for (PlainFact fact : PlainFact.values()) {
            ids.add("fact." + fact.id());
        }
        for (WorkDone.Area area : WorkDone.Area.values()) {
            ids.add("work.area." + area.id());
        }
        for (WorkDone.Kind kind : WorkDone.Kind.values()) {
            ids.add("work.kind." + kind.id());
        }
        for (WorkDone.Bled bled : WorkDone.Bled.values()) {
            ids.add("work.bled." + bled.id());
        }
        JobStage.ids().forEach(stage -> ids.add("stage." + stage));
        for (NextAct.Kind kind : NextAct.Kind.values()) {
            ids.add("next." + kind.name());
        }
        for (Decided.TurnedOut turnedOut : Decided.TurnedOut.values()) {
            ids.add("turned-out." + turnedOut.name());
        }
        for (MayMove.Reason.Kind kind : MayMove.Reason.Kind.values()) {
            ids.add("may-move.because." + kind.name());
        }
        for (MayMove.Answer answer : MayMove.Answer.values()) {
            ids.addAll(List.of("may-move." + answer.name(), "may-move." + answer.name() + ".watch"));
        }
        ids.addAll(List.of("may-move.lamp", "may-move.fluid"));
        for (School school : School.values()) {
            ids.add("school." + school.id());
            school.ways().forEach(way -> {
                ids.add("school." + school.id() + "." + way);
                ids.add("school." + school.id() + "." + way + ".good");
            });
        }
        PLANNED.values().forEach(ids::addAll);
        WorkPlan.of(Presets.TARN_BOX_VAN, List.of(Remedy.LOOK_ELSEWHERE), Map.of())
                .steps()
                .forEach(step -> ids.addAll(neededBy(step)));
        for (Layout layout : Presets.all()) {
            Checks.of(layout).forEach(check -> {
                ids.add("check." + check.id());
                check.cautionId().ifPresent(c -> ids.add("caution." + c));
            });
        }
        for (Gate gate : Gate.values()) {
            ids.add("gate." + gate.id());
        }
        for (Blocker.Kind kind : Blocker.Kind.values()) {
            ids.add("blocker." + kind.name());
        }
        for (Schools.Method method : Schools.Method.values()) {
            ids.addAll(List.of("bleed.method." + method.id(), "bleed.method." + method.id() + ".good"));
            method.cautionId().ifPresent(c -> ids.add("caution." + c));
        }
        for (Schools.Order order : Schools.Order.values()) {
            ids.addAll(List.of("bleed.order." + order.id(), "bleed.order." + order.id() + ".good"));
        }
        List.of("make", "vin", "customer", "order").forEach(what -> ids.add("about." + what));
        for (FluidKind fluid : FluidKind.values()) {
            ids.add("fluid." + fluid.id());
        }
        ids.add("fluid.refused");
        for (Section section : Section.values()) {
            ids.add("section." + section.name());
        }
        for (Remedy remedy : Remedy.values()) {
            ids.addAll(List.of("remedy." + remedy.id(), "remedy." + remedy.id() + ".short"));
        }
        ids.addAll(neededByPractice());
        Set<String> ofKinds = new TreeSet<>();
        Presets.all().forEach(layout -> said(layout).forEach(id -> ofKinds.add(VehicleWords.key(id, layout))));
        ids.addAll(ofKinds);
        return ids;
    }

    private static Set<String> neededByPractice() {
        Set<String> ids = new TreeSet<>(Set.of("fault." + HiddenTruth.IN_NO_LIST));
        Arrays.stream(InstrumentKind.values()).forEach(kind -> ids.add("instrument." + kind.id()));
        Arrays.stream(ExerciseKind.values()).forEach(kind -> ids.add("exercise." + kind.id()));
        Arrays.stream(ExerciseLevel.values())
                .forEach(level ->
                        ids.addAll(List.of("exercise.level." + level.id(), "exercise.level." + level.id() + ".means")));
        Arrays.stream(RigState.Mishap.values()).forEach(mishap -> ids.add("mishap." + mishap.id()));
        Arrays.stream(RigState.Hazard.values()).forEach(hazard -> ids.add("hazard." + hazard.id()));
        Arrays.stream(Trainee.values()).forEach(trainee -> ids.add("trainee." + trainee.id()));
        Lesson.all()
                .forEach(lesson -> ids.addAll(List.of(
                        "lesson." + lesson.id(),
                        "lesson." + lesson.id() + ".before",
                        "lesson." + lesson.id() + ".after")));
        Presets.all()
                .forEach(layout -> ((Observation)
                                ProcedureCatalogue.of(layout).intake().spec())
                        .options()
                        .forEach(felt -> ids.addAll(List.of("driver." + felt + ".1", "driver." + felt + ".2"))));
        return ids;
    }

    /** By every plan of a layout, as usual and in each other way of each school on which it depends. */
    private static Set<String> neededByPlans(Layout layout) {
        Set<String> ids = new TreeSet<>();
        Set<Remedy> remedies = new LinkedHashSet<>();
        SuspectCatalogue.of(layout).forEach(suspect -> remedies.add(suspect.remedy()));
        for (Remedy remedy : remedies) {
            WorkPlan usual = WorkPlan.of(layout, List.of(remedy), Map.of());
            usual.steps().forEach(step -> ids.addAll(neededBy(step)));
            for (School school : usual.schools()) {
                for (String way : school.ways().subList(1, school.ways().size())) {
                    WorkPlan.of(layout, List.of(remedy), Map.of(), WorkSchools.USUAL.with(school, way))
                            .steps()
                            .forEach(step -> ids.addAll(neededBy(step)));
                }
            }
        }
        return ids;
    }

    private static List<String> neededBy(WorkStep step) {
        List<String> ids = new ArrayList<>(List.of("repair." + step.id()));
        step.cautionIds().forEach(c -> ids.add("caution." + c));
        if (step.helper()) {
            ids.add("repair." + step.id() + ".alone");
        }
        step.needed().forEach(needed -> ids.add("needed." + needed.id()));
        step.asks().forEach(a -> ids.add("asked." + a.id()));
        step.together()
                .forEach(two -> ids.addAll(
                        List.of("together." + two.first() + ".below", "together." + two.first() + ".above")));
        step.sheetFigures().forEach(f -> ids.add("sheet." + f));
        step.leaves().forEach(item -> ids.add("moved." + item.split("@")[0]));
        return ids;
    }

    private static List<String> neededBy(Procedure p, Layout layout) {
        String test = "test." + p.wordId();
        List<String> ids = new ArrayList<>();
        Needed.of(p).forEach(needed -> ids.add("needed." + needed.id()));
        ids.addAll(List.of(
                test,
                test + ".purpose",
                test + ".blind",
                "rig." + p.rigKind().id(),
                "rig." + p.rigKind().id() + ".check"));
        if (p.rigKind().dispensable()) {
            ids.add("rig." + p.rigKind().id() + ".without");
        }
        if (WORDS.containsKey(test + ".check")) {
            ids.add(test + ".check");
        }
        for (Step step : p.steps()) {
            ids.add(test + ".step." + step.id());
            ids.add(VehicleWords.key("test." + p.wordId() + ".step." + step.id(), layout));
            if (step.help() != Step.Help.NONE) {
                ids.add(test + ".alone");
            }
            step.cautionId().ifPresent(c -> ids.add("caution." + c));
            step.fits().forEach(f -> ids.add("fitting." + f.split("@")[0]));
        }
        if (p.spec() instanceof Series series) {
            series.figures().stream()
                    .filter(f -> layout.components().stream().noneMatch(c -> c.id().equals(f.id())))
                    .forEach(f -> ids.add("figure." + p.wordId() + "." + f.id()));
        } else {
            ((Observation) p.spec()).options().forEach(o -> ids.add("option." + p.id() + "." + o));
        }
        return ids;
    }

    /** Everything the calculator asks, finds and says, with every optional input given too. */
    private static Set<String> neededBy(Calculator calculator, Layout layout) {
        String own = "calculator." + calculator.id();
        Set<String> ids = new TreeSet<>(List.of(own, own + ".formula"));
        Map<String, Double> everything = new java.util.HashMap<>();
        calculator.fields(layout).forEach(f -> {
            ids.add(own + ".in." + f.id());
            if (Double.isNaN(f.preset())) {
                everything.put(f.id(), (f.least() + f.most()) / (f.id().endsWith("2") ? 7 : 8));
            }
        });
        calculator.notices().forEach(n -> ids.add(own + ".notice." + n));
        for (Map<String, Double> inputs : List.of(Map.<String, Double>of(), everything)) {
            Result result = calculator.compute(layout, inputs);
            result.outputs().forEach(o -> ids.add(own + ".out." + o.id()));
            result.curves()
                    .forEach(c -> ids.addAll(List.of(
                            own + ".curve." + c.id(),
                            own + ".curve." + c.id() + ".x",
                            own + ".curve." + c.id() + ".y")));
            result.rows().forEach(row -> {
                row.cells().forEach(cell -> ids.add(own + ".out." + cell.id()));
                if (row.label().matches("[a-z-]+")
                        && layout.components().stream().noneMatch(c -> c.id().equals(row.label()))) {
                    ids.add(own + ".row." + row.label());
                }
            });
        }
        return ids;
    }

    /** Everything that is said of a circuit: its suspects, tests, plans and checks. */
    private static Set<String> said(Layout layout) {
        Set<String> ids = new TreeSet<>(PLANNED.get(layout));
        Checks.of(layout).forEach(check -> {
            ids.add("check." + check.id());
            check.cautionId().ifPresent(c -> ids.add("caution." + c));
        });
        ids.add("caution.before-opening");
        SuspectCatalogue.of(layout)
                .forEach(s -> ids.addAll(List.of(
                        "suspect." + s.id(),
                        "suspect." + s.id() + ".shows",
                        "remedy." + s.remedy().id(),
                        "remedy." + s.remedy().id() + ".short")));
        ProcedureCatalogue.of(layout).all().forEach(p -> ids.addAll(neededBy(p, layout)));
        ProcedureCatalogue.of(layout).cutSets().forEach(test -> ids.addAll(neededBy(test.procedure(), layout)));
        Arrays.stream(PlainFact.values()).filter(fact -> fact.in(layout)).forEach(fact -> ids.add("fact." + fact.id()));
        ids.removeIf(id -> id.contains(VehicleWords.FOR));
        return ids;
    }

    /** Words that mean nothing on a vehicle of a kind. */
    private static Pattern strange(String kind) {
        return Pattern.compile(
                switch (kind) {
                    case "lever" ->
                        "(?<!lever or )\\bpedal|bonnet|(?<!its |gauge's )\\bfoot\\b|carpet|\\btoe\\b|from the seat|parking brake";
                    case "clutch" -> "\\bbrakes\\b|Brake fluid|drums?\\b|\\bdisc\\b|caliper(?!, cylinder or slave)";
                    case "concentric" -> "\\bfork\\b";
                    case "unassisted" -> "reserve is spent|reserve spent|between master and assist";
                    default -> "both (ports|plugs|pipes|halves)|front half|rear half|all ports";
                });
    }

    /** On each kind of vehicle every sentence speaks of what there is: step, purpose, caution, option, plan, check. */
    @Test
    void nobodyReadsOfWhatTheVehicleDoesNotHave() {
        Set<String> wrong = new TreeSet<>();
        for (Layout layout : Presets.all()) {
            for (String id : said(layout)) {
                String word = WORDS.get(VehicleWords.key(id, layout));
                for (String kind : VehicleWords.kinds(layout)) {
                    if (strange(kind).matcher(word).find()) {
                        wrong.add(kind + " " + id + ": " + word);
                    }
                }
            }
        }
        assertEquals(Set.of(), wrong);
    }

    @Test
    void noneIsMissingAndNoneIsLeftOverButWhatEarlierCataloguesChanged() {
        Set<String> needed = needed();
        Set<String> missing = new TreeSet<>(needed);
        missing.add("catalogue." + CatalogueVersion.CURRENT);
        missing.removeAll(WORDS.keySet());
        Set<String> left = new TreeSet<>(WORDS.keySet());
        left.removeAll(needed);
        left.removeIf(id -> id.startsWith("catalogue."));
        assertEquals(Set.of(), missing, "missing");
        assertEquals(Set.of(), left, "left over");
    }

    @Test
    void figuresOfOneTestAreCalledDifferently() {
        for (Layout layout : Presets.all()) {
            ProcedureCatalogue.of(layout).all().stream()
                    .filter(p -> p.spec() instanceof Series)
                    .forEach(p -> {
                        List<String> names = ((Series) p.spec())
                                .figures().stream()
                                        .map(f -> WORDS.getOrDefault(
                                                "figure." + p.id() + "." + f.id(), WORDS.get("component." + f.id())))
                                        .toList();
                        assertEquals(names.size(), Set.copyOf(names).size(), p.id() + ": " + names);
                    });
        }
    }

    @Test
    void everyWordSaysSomethingAndNamesOnlyForcesThatTheTestKnows() {
        WORDS.forEach((id, text) -> {
            assertTrue(!text.isBlank(), id);
            java.util.regex.Pattern.compile("\\{(\\w+)}")
                    .matcher(text)
                    .results()
                    .forEach(match -> assertTrue(
                            FORCES.contains(match.group(1)) || filledIn(id).contains(match.group(1)),
                            id + " names " + match.group(1)));
        });
    }

    /** What the pages fill into words of this kind. */
    private static Set<String> filledIn(String id) {
        if (id.startsWith("next.") || id.startsWith("may-move.because.")) {
            return Set.of("what");
        }
        if (id.equals("fluid.refused")) {
            return Set.of("takes", "given");
        }
        return id.startsWith("together.") ? Set.of("by", "turns") : Set.of();
    }

    /** What the steps say and what the planner knows of a second person agree. */
    @Test
    void testsWhoseStepsNameAHelperTakeOne() {
        for (Layout layout : Presets.all()) {
            for (Procedure p : ProcedureCatalogue.of(layout).all()) {
                boolean told = p.steps().stream()
                        .anyMatch(step -> WORDS.get("test." + p.id() + ".step." + step.id())
                                .contains("helper"));
                boolean wants = p.steps().stream().anyMatch(step -> step.help() != Step.Help.NONE);
                assertEquals(told, wants, layout.id() + " " + p.id());
                assertEquals(
                        p.needsHelper(),
                        wants && WORDS.get("test." + p.wordId() + ".alone").startsWith("Cannot"),
                        p.id());
            }
        }
    }
}
