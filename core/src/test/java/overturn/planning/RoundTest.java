package overturn.planning;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import overturn.catalogue.ProcedureCatalogue;
import overturn.layoutfile.Presets;
import overturn.planning.Proposal.Kind;
import overturn.procedure.Procedure;
import overturn.procedure.Procedure.RigKind;
import overturn.procedure.VehicleNeeds;
import overturn.suspect.Remedy;

/** Tests that share a state, and what a workshop can do at what prices. */
class RoundTest {

    private static final ProcedureCatalogue TARN = ProcedureCatalogue.of(Presets.TARN_BOX_VAN);

    private static Procedure test(String id) {
        return TARN.find(id).orElseThrow();
    }

    private static Proposal proposal(String id, double stateMinutes, double savedMinutes) {
        return new Proposal(
                test(id),
                test(id).minutes(),
                false,
                stateMinutes,
                1,
                new CostToCome.Gain(savedMinutes, 0, 0.5, 0),
                0,
                0,
                1,
                Kind.SPLIT,
                false);
    }

    /**
     * Two tests on the lift are one round, its way gone once; a seat test in between is a round of its own; what does
     * not pay is in none.
     */
    @Test
    void testsOfOneStateGoTheWayOnce() {
        List<Round> rounds = Round.of(List.of(
                proposal("wheel-drag", 8, 60),
                proposal("pump-up", 0, 50),
                proposal("hoses-clamped", 8, 40),
                proposal("first-press", 0, 1)));
        assertEquals(
                List.of(VehicleNeeds.RAISED, VehicleNeeds.SEAT),
                rounds.stream().map(Round::needs).toList());
        assertEquals(
                List.of("wheel-drag", "hoses-clamped"),
                rounds.get(0).proposals().stream().map(p -> p.procedure().id()).toList());
        assertEquals(
                8 + test("wheel-drag").minutes() + test("hoses-clamped").minutes(),
                rounds.get(0).minutes());
        assertEquals(
                List.of("pump-up"),
                rounds.get(1).proposals().stream().map(p -> p.procedure().id()).toList());
    }

    @Test
    void aTestIsWorthDoingWhenItSavesMoreThanItCosts() {
        Proposal plugs = proposal("port-plugs", 40, 50);
        assertEquals(62, plugs.minutes());
        assertTrue(
                !plugs.worthDoing() && plugs.bearing(0.25).worthDoing(),
                "alone it does not pay, with others of its round it does");
        assertTrue(plugs.bearing(0.25).score() > plugs.score());
        assertEquals(
                plugs.procedure().minutes(),
                proposal("port-plugs", -12, 50).minutes(),
                "a way back that is saved makes no test free");
    }

    @Test
    void whatIsLackingIsATool() {
        Workshop bare = new Workshop(Set.of(RigKind.VACUUM_GAUGE), false, false, Prices.DEFAULT);
        assertTrue(!bare.canDo(test(firstWith(RigKind.VACUUM_GAUGE))));
        assertTrue(!bare.canDo(test("port-plugs")), "it takes a helper");
        assertTrue(bare.canDo(test("reservoir-watch")), "one person does it with a camera");
        assertTrue(bare.canDo(test("hold-medium")));
        assertEquals(10, bare.raisingMinutes());
        assertThrows(
                IllegalArgumentException.class,
                () -> new Workshop(Set.of(RigKind.HANDS_ON_WHEEL), true, true, Prices.DEFAULT));
    }

    private static String firstWith(RigKind rig) {
        return TARN.all().stream()
                .filter(p -> p.rigKind() == rig)
                .findFirst()
                .orElseThrow()
                .id();
    }

    @ParameterizedTest
    @ValueSource(doubles = {-1, Double.NaN, Double.NEGATIVE_INFINITY})
    void aPriceBelowNothingIsRefusedByTheRemedysName(double minutes) {
        Map<Remedy, Double> prices = new EnumMap<>(Prices.DEFAULT.remedies());
        prices.put(Remedy.RENEW_MASTER, minutes);
        String told = assertThrows(IllegalArgumentException.class, () -> new Prices(prices, 300, 60, 300, 100))
                .getMessage();
        assertTrue(told.contains(Remedy.RENEW_MASTER.id()), told);
        assertThrows(
                IllegalArgumentException.class, () -> new Prices(Prices.DEFAULT.remedies(), minutes, 60, 300, 100));
    }
}
