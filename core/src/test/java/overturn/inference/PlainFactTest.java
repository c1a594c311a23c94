package overturn.inference;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import overturn.circuit.Layout;
import overturn.forecast.Hypothesis;
import overturn.inference.WorkDone.Area;
import overturn.inference.WorkDone.Bled;
import overturn.inference.WorkDone.Kind;
import overturn.layoutfile.Presets;
import overturn.suspect.Remedy;
import overturn.suspect.Suspect;
import overturn.suspect.SuspectCatalogue;

/** What plain facts and earlier work make of the frequencies. */
class PlainFactTest {

    private static final Layout TARN = Presets.TARN_BOX_VAN;
    private static final List<Suspect> SUSPECTS = SuspectCatalogue.of(TARN);

    private static double odds(Intake intake, String one, String other) {
        int sound = index(SuspectCatalogue.NOTHING_WRONG);
        Prior prior = Prior.of(TARN, SUSPECTS, sound, intake);
        return Math.exp(prior.log(Hypothesis.single(index(one))) - prior.log(Hypothesis.single(index(other))));
    }

    private static int index(String id) {
        return SUSPECTS.stream().map(Suspect::id).toList().indexOf(id);
    }

    private static Intake told(PlainFact... facts) {
        return Intake.UNKNOWN.with(List.of(), Set.of(facts));
    }

    private static Intake worked(Area area, Kind kind, Bled bled) {
        return Intake.UNKNOWN.with(List.of(new WorkDone(area, kind, bled)), Set.of());
    }

    @Test
    void everySuspectThatAFactNamesIsInSomeLayout() {
        Set<String> known = Presets.all().stream()
                .flatMap(layout -> SuspectCatalogue.of(layout).stream())
                .map(Suspect::id)
                .collect(Collectors.toSet());
        for (PlainFact fact : PlainFact.values()) {
            assertTrue(known.containsAll(fact.named()), fact + " names " + fact.named());
            assertTrue(Presets.all().stream().anyMatch(fact::in), fact + " can be told of no layout");
            assertEquals(Optional.of(fact), PlainFact.find(fact.id()));
        }
    }

    /** 25 to 1 as the fact says, since the suspect compared with is not named: worked out by hand from the table. */
    @Test
    void aFactMovesTheOddsOfWhatItNamesByItsOwnFactor() {
        double before = odds(Intake.UNKNOWN, "reservoir-weeping", "linings-bad");
        double after = odds(told(PlainFact.FLUID_UNDER_RESERVOIR), "reservoir-weeping", "linings-bad");
        assertEquals(25, after / before, 1e-9);
    }

    @Test
    void factsTogetherMoveNothingBeyondTheLimit() {
        double before = odds(Intake.UNKNOWN, "end-seal-weeping", "linings-bad");
        double after = odds(
                told(PlainFact.FLUID_AT_REAR_END, PlainFact.FLUID_AT_FRONT_END, PlainFact.TO_THE_FLOOR),
                "end-seal-weeping",
                "linings-bad");
        assertEquals(60, after / before, 1e-9);
    }

    @Test
    void airIsSuspectedWhereHandsWere() {
        Intake front = worked(Area.FRONT_HOSES, Kind.RENEWED, Bled.UNKNOWN);
        double before = odds(Intake.UNKNOWN, "air-in-front-end", "air-in-rear-end");
        assertEquals(4, odds(front, "air-in-front-end", "air-in-rear-end") / before, 1e-9, "8 here against 2 there");
        Intake notBled = worked(Area.REAR_ENDS, Kind.OPENED, Bled.NO);
        assertEquals(1 / 5.0, odds(notBled, "air-in-front-end", "air-in-rear-end") / before, 1e-9, "3 against 15");
        assertEquals(
                before,
                odds(worked(Area.INPUT, Kind.SET, Bled.UNKNOWN), "air-in-front-end", "air-in-rear-end"),
                1e-9,
                "nothing was opened");
    }

    @Test
    void whatIsNewIsWornLessAndMayBeWrong() {
        Intake renewed = worked(Area.MASTER, Kind.RENEWED, Bled.YES);
        assertTrue(odds(renewed, "primary-piston-cup", "end-seal-weeping")
                < 0.5 * odds(Intake.UNKNOWN, "primary-piston-cup", "end-seal-weeping"));
        assertTrue(odds(renewed, "bore-too-large", "end-seal-weeping")
                > 4 * odds(Intake.UNKNOWN, "bore-too-large", "end-seal-weeping"));
        WorkDone work = renewed.work().get(0);
        assertTrue(work.justRenewed(SUSPECTS.get(index("primary-piston-cup")), TARN));
        assertFalse(work.justRenewed(SUSPECTS.get(index("end-seal-weeping")), TARN));
    }

    /** Whoever renews a hose leaves the caliper behind it as it was, but for air. */
    @Test
    void aNewHoseSaysNothingOfTheEndBehindIt() {
        Intake hoses = worked(Area.REAR_HOSES, Kind.RENEWED, Bled.YES);
        for (String suspect : List.of("piston-seized", "end-seal-weeping", "excess-shoe-clearance", "wrong-piston")) {
            assertEquals(
                    odds(worked(Area.FLUID, Kind.OPENED, Bled.YES), suspect, "linings-bad"),
                    odds(hoses, suspect, "linings-bad"),
                    1e-9,
                    suspect + " as after work elsewhere");
        }
        WorkDone work = hoses.work().get(0);
        assertTrue(work.justRenewed(SUSPECTS.get(index("hose-flap")), TARN));
        assertFalse(work.justRenewed(SUSPECTS.get(index("piston-seized")), TARN));
        assertEquals(
                Optional.of(new WorkDone(Area.REAR_ENDS, Kind.RENEWED, Bled.YES)),
                WorkDone.of(Remedy.RENEW_END, "rear-left", TARN));
    }

    @Test
    void theRodIsSetByWhoeverWorkedOnEitherSideOfIt() {
        for (Area area : List.of(Area.MASTER, Area.ASSIST, Area.INPUT)) {
            assertTrue(
                    odds(worked(area, Kind.RENEWED, Bled.YES), "output-rod-too-long", "linings-bad")
                            > 4 * odds(Intake.UNKNOWN, "output-rod-too-long", "linings-bad"),
                    area.id());
        }
    }

    @Test
    void onlyAreasAndFactsOfTheLayoutAreAsked() {
        Layout clutch = Presets.layout("brack-tug-clutch");
        assertTrue(Area.SLAVE.in(clutch) && !Area.ASSIST.in(clutch) && !Area.REAR_ENDS.in(clutch));
        assertTrue(Area.CLUTCH_HOSE.in(clutch) && !Area.FRONT_HOSES.in(clutch) && !Area.CLUTCH_HOSE.in(TARN));
        assertTrue(PlainFact.FLUID_AT_SLAVE.in(clutch) && !PlainFact.FLUID_AT_REAR_END.in(clutch));
        assertTrue(Area.FRONT_HOSES.in(TARN) && Area.MODULATOR.in(TARN) && !Area.SLAVE.in(TARN));
        assertTrue(PlainFact.STEERING_FLUID_SEEN.in(Presets.layout("corvane-flatbed"))
                && !PlainFact.STEERING_FLUID_SEEN.in(TARN));
    }
}
