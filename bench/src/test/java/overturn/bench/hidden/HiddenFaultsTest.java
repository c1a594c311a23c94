package overturn.bench.hidden;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import overturn.catalogue.ProcedureCatalogue;
import overturn.layoutfile.LayoutFile;
import overturn.layoutfile.Presets;
import overturn.measurement.ReadingSpec.Observation;
import overturn.planning.Workshop;
import overturn.practice.Chart;
import overturn.procedure.Procedure;
import overturn.suspect.Cure;
import overturn.suspect.Repaired;
import overturn.suspect.Suspect;
import overturn.verdict.Grade;
import picocli.CommandLine;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The benchmark itself: honest, repeatable, and saying what it should. */
class HiddenFaultsTest {

    private static final LayoutFile LEVER_CLUTCH =
            Presets.find("wisp-courier-clutch").orElseThrow();

    private static int run(ByteArrayOutputStream out, String... arguments) {
        PrintStream before = System.out;
        System.setOut(new PrintStream(out, true, StandardCharsets.UTF_8));
        try {
            return new CommandLine(new HiddenFaults()).execute(arguments);
        } finally {
            System.setOut(before);
        }
    }

    @Test
    void oneJsonObjectHoldsEveryFigureOfEveryPolicy() {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        assertEquals(0, run(out, "--vehicles", "24", "--seed", "3", "--family", "lever-clutch", "--json"));
        JsonNode report = JsonMapper.builder().build().readTree(out.toString(StandardCharsets.UTF_8));
        assertEquals(24, report.get("vehicles").asInt());
        assertEquals(
                Set.of("overturn", "likelihood", "chart", "informationPerMinute", "informationOnly"),
                Set.copyOf(report.get("policies").propertyNames()));
        for (String policy : report.get("policies").propertyNames()) {
            for (String figure : List.of(
                    "singlesRightPct",
                    "pairsRightPct",
                    "soundCalledSoundPct",
                    "soundCondemnedPct",
                    "wrongPartsPer100",
                    "minutesToVerdictMean",
                    "costToCureMean",
                    "costToCureP90",
                    "testsMean",
                    "provenSharePct",
                    "provenWrongPct",
                    "calibrationMaxGapPoints")) {
                assertTrue(report.get("policies").get(policy).get(figure).isNumber(), policy + " " + figure);
            }
        }
        for (String figure : List.of(
                "roughSinglesRightPct",
                "intermittentRightPct",
                "unlistedProvenPct",
                "noneOfTheseLeadsPct",
                "calibrationWithUnlistedMaxGapPoints")) {
            assertTrue(report.get("policies").get("overturn").get(figure).isNumber(), figure);
        }
        for (String figure : List.of("problems", "meanExcessPct", "maxExcessPct", "randomExcessPct")) {
            assertTrue(report.get("exact").get(figure).isNumber(), figure);
        }
        assertTrue(report.get("planningMillis").get("p95").asDouble()
                >= report.get("planningMillis").get("p50").asDouble());
        double planner =
                report.get("policies").get("overturn").get("costToCureMean").asDouble();
        assertTrue(
                planner
                        < report.get("policies")
                                .get("likelihood")
                                .get("costToCureMean")
                                .asDouble(),
                "replacing by likelihood is dearer than " + planner);
    }

    @Test
    void theBoundReadsEveryTestOnce() {
        World world = new World(LEVER_CLUTCH, 5);
        Case single = world.draw(Stratum.SINGLE, 2);
        List<String> path = new Trial(world.model(Stratum.SINGLE), single, Workshop.WELL_EQUIPPED)
                .of(Policy.EVERYTHING)
                .path();
        List<String> read = path.stream()
                .takeWhile(id -> !id.startsWith("repaired"))
                .map(id -> id.substring(0, id.indexOf('#')))
                .toList();
        List<String> all = world.model(Stratum.SINGLE).procedures().all().stream()
                .filter(Workshop.WELL_EQUIPPED::canDo)
                .map(Procedure::id)
                .toList();
        assertEquals(Set.copyOf(all), Set.copyOf(read));
        assertEquals(all.size(), read.size());
    }

    @Test
    void theBoundIsPrintedForEveryStratum() {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        assertEquals(0, run(out, "--bound", "--vehicles", "24", "--seed", "3", "--family", "lever-clutch", "--json"));
        JsonNode reached = JsonMapper.builder()
                .build()
                .readTree(out.toString(StandardCharsets.UTF_8))
                .get("reachedPct");
        assertEquals(
                Set.of("single", "pair", "sound", "rough", "intermittent", "unlisted"),
                Set.copyOf(reached.propertyNames()));
        assertTrue(
                reached.get("single").asDouble() >= 50,
                "with everything read half of them would be a poor bound: " + reached.get("single"));
    }

    @Test
    void wrongOptionsAreNamed() {
        assertEquals(2, run(new ByteArrayOutputStream(), "--vehicles", "3"));
        assertEquals(2, run(new ByteArrayOutputStream(), "--family", "hovercraft"));
        assertEquals(2, run(new ByteArrayOutputStream(), "--speed"));
        assertEquals(2, run(new ByteArrayOutputStream(), "--evenly", "--world", "own"));
    }

    @Test
    void evenFaultsBringRareOnesAsOftenAsFrequentOnes() {
        World world = World.ofEvenFaults(LEVER_CLUTCH, 5, ReadBy.EYE);
        int vehicles = 240;
        Map<String, Long> drawn = IntStream.range(0, vehicles)
                .parallel()
                .boxed()
                .flatMap(seed -> world.draw(Stratum.SINGLE, seed).causes.stream())
                .collect(Collectors.groupingBy(Suspect::id, Collectors.counting()));
        int suspects = world.model(Stratum.SINGLE).suspects().size() - 1;
        assertEquals(suspects, drawn.size(), drawn.toString());
        drawn.forEach((suspect, times) ->
                assertTrue(times < 3.0 * vehicles / suspects, suspect + " in " + times + " of " + vehicles));
    }

    @Test
    void everyBehaviourOfEveryFamilyHasAChartOfTestsThatExist() {
        Set<String> known = Presets.all().stream()
                .flatMap(l -> ProcedureCatalogue.of(l).all().stream())
                .map(Procedure::id)
                .collect(Collectors.toSet());
        for (LayoutFile file : Presets.files()) {
            ProcedureCatalogue procedures = ProcedureCatalogue.of(file.layout());
            Observation behaviours = (Observation) procedures.intake().spec();
            for (String behaviour : behaviours.options()) {
                assertTrue(known.containsAll(Chart.tests(file.family(), behaviour)), file.id() + " " + behaviour);
            }
        }
    }

    @Test
    void theSameSeedIsTheSameVehicleAndTheSameTestReadsTheSame() {
        World world = new World(LEVER_CLUTCH, 5);
        Procedure hold =
                ProcedureCatalogue.of(LEVER_CLUTCH.layout()).find("hold-medium").orElseThrow();
        Case one = world.draw(Stratum.PAIR, 77);
        Case same = world.draw(Stratum.PAIR, 77);
        assertEquals(
                one.causes.stream().map(s -> s.id()).toList(),
                same.causes.stream().map(s -> s.id()).toList());
        assertEquals(
                one.take(hold, 0, Repaired.NONE).reading(),
                same.take(hold, 0, Repaired.NONE).reading());
        assertNotEquals(
                one.take(hold, 0, Repaired.NONE).reading().value(),
                one.take(hold, 1, Repaired.NONE).reading().value(),
                "another rig reads anew");
        assertEquals(2, one.cure.remedies().size());
        assertEquals(Cure.HAND_BACK, world.draw(Stratum.SOUND, 1).cure);
    }

    @Test
    void theModelOfUnlistedVehiclesHasNeverHeardOfTheirFault() {
        World world = new World(LEVER_CLUTCH, 5);
        Case unlisted = world.draw(Stratum.UNLISTED, 9);
        assertTrue(world.model(Stratum.UNLISTED).suspects().stream()
                .noneMatch(s -> s.id().equals(unlisted.causes.get(0).id())));
        assertTrue(world.model(Stratum.SINGLE).suspects().stream()
                .anyMatch(s -> s.id().equals(unlisted.causes.get(0).id())));
    }

    @Test
    void aSoundVehicleHandedBackAtOnceCostsTheTalkOnly() {
        World world = new World(LEVER_CLUTCH, 5);
        Outcome outcome = new Trial(world.model(Stratum.SOUND), world.draw(Stratum.SOUND, 4), Workshop.WELL_EQUIPPED)
                .of(Policy.CHART);
        assertTrue(outcome.costToCure() >= outcome.minutes());
        assertTrue(outcome.wrongParts() == 0 || !outcome.named().equals(Cure.HAND_BACK));
    }

    /** Of intermittent vehicles tests are repeated; whatever rig is made anew for that serves the tests after it. */
    @Test
    void aRigOnceMadeAnewStaysInUse() {
        World world = new World(LEVER_CLUTCH, 5);
        boolean anewAndUsedOn = false;
        for (long seed = 0; seed < 12; seed++) {
            Map<String, Integer> inUse = new HashMap<>();
            for (String id : new Trial(
                            world.model(Stratum.INTERMITTENT),
                            world.draw(Stratum.INTERMITTENT, seed),
                            Workshop.WELL_EQUIPPED)
                    .of(Policy.OVERTURN)
                    .path()) {
                if (id.contains("#")) {
                    String rig = world.model(Stratum.INTERMITTENT)
                            .procedures()
                            .find(id.substring(0, id.indexOf('#')))
                            .orElseThrow()
                            .rigSetup();
                    int setUp =
                            Integer.parseInt(id.substring(id.indexOf('#') + 1).replaceAll("@.*", ""));
                    int before = inUse.getOrDefault(rig, 0);
                    assertTrue(setUp == before || setUp == before + 1, id);
                    anewAndUsedOn |= setUp > 0 && setUp == before;
                    inUse.put(rig, setUp);
                }
            }
        }
        assertTrue(anewAndUsedOn);
    }

    /** Worked by hand: 4 and 8 minutes more on the same two vehicles are 6 ± 1.96 · 2.828 / √2. */
    @Test
    void policiesAreComparedVehicleByVehicle() {
        World world = new World(LEVER_CLUTCH, 5);
        Case one = world.draw(Stratum.SINGLE, 1);
        Case other = world.draw(Stratum.SINGLE, 2);
        Paired paired = Paired.of(
                List.of(
                        costing(Policy.OVERTURN, one, 10),
                        costing(Policy.CHART, one, 14),
                        costing(Policy.CHART, other, 28),
                        costing(Policy.OVERTURN, other, 20),
                        costing(Policy.LIKELIHOOD, one, 900)),
                Policy.CHART);
        assertEquals(6, paired.meanMinutes(), 1e-9);
        assertEquals(3.92, paired.halfWidthMinutes(), 0.001);
    }

    /**
     * Worked by hand: of two singles one is right at 90 % and one is called sound at 96 %, two sound vehicles are
     * called sound at 92 and 94 %. Of the singles half hold, at 93 % claimed; of all four three, at 93 %. What is open
     * or proven makes no probable claim.
     */
    @Test
    void whoIsCalledSoundCountsWhetherOrNotItIs() {
        World world = new World(LEVER_CLUTCH, 5);
        Case single = world.draw(Stratum.SINGLE, 1);
        Case sound = world.draw(Stratum.SOUND, 3);
        TrustFigures trust = TrustFigures.of(List.of(
                claiming(single, Grade.PROBABLE, 0.9, true),
                claiming(single, Grade.PROBABLE, 0.96, false),
                claiming(single, Grade.OPEN, 0.5, false),
                claiming(single, Grade.PROVEN, 0.99, true),
                claiming(sound, Grade.PROBABLE, 0.92, true),
                claiming(sound, Grade.PROBABLE, 0.94, true)));
        assertEquals(50, trust.probableRight(), 1e-9);
        assertEquals(93, trust.probableClaimed(), 1e-9);
        assertEquals(75, trust.allProbableRight(), 1e-9);
        assertEquals(93, trust.allProbableClaimed(), 1e-9);
    }

    /** Of three, one is left open; of the two that are named one is right. */
    @Test
    void aPartIsNamedWhereItIsLikelyAndHeldToItsRecord() {
        Case single = new World(LEVER_CLUTCH, 5).draw(Stratum.SINGLE, 1);
        TrustFigures trust = TrustFigures.of(
                Stream.of(new Outcome.Claim(0.9, true), new Outcome.Claim(0.7, false), new Outcome.Claim(0.5, true))
                        .map(part -> claiming(single, Grade.PROBABLE, 0.9, true, Optional.of(part)))
                        .toList());
        assertEquals(3, trust.parts());
        assertEquals(66.7, trust.partTold(), 1e-9);
        assertEquals(50, trust.partRight(), 1e-9);
        assertEquals(80, trust.partClaimed(), 1e-9);
    }

    private static Outcome claiming(Case vehicle, Grade grade, double probability, boolean held) {
        return claiming(vehicle, grade, probability, held, Optional.empty());
    }

    private static Outcome claiming(
            Case vehicle, Grade grade, double probability, boolean held, Optional<Outcome.Claim> part) {
        return new Outcome(
                Policy.OVERTURN,
                vehicle,
                Cure.HAND_BACK,
                grade,
                held,
                held,
                1,
                10,
                0,
                10,
                List.of(new Outcome.Claim(probability, held)),
                List.of(),
                List.of(),
                List.of(),
                Map.of(),
                Map.of(),
                part);
    }

    private static Outcome costing(Policy policy, Case vehicle, double minutes) {
        return new Outcome(
                policy,
                vehicle,
                Cure.HAND_BACK,
                Grade.OPEN,
                false,
                false,
                0,
                0,
                0,
                minutes,
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                Map.of(),
                Map.of(),
                Optional.empty());
    }
}
