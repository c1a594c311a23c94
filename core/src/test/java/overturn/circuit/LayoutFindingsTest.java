package overturn.circuit;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import overturn.layoutfile.Presets;

/** What keeps parts and joints from being a circuit, and the geometry of a lever. */
class LayoutFindingsTest {

    private static final Layout TARN = Presets.TARN_BOX_VAN;

    private static List<LayoutFinding> findings(Consumer<List<Component>> parts, Consumer<List<Joint>> joints) {
        List<Component> changed = new ArrayList<>(TARN.components());
        List<Joint> joined = new ArrayList<>(TARN.joints());
        parts.accept(changed);
        joints.accept(joined);
        return assertThrows(ImpossibleLayoutException.class, () -> new Layout("broken", TARN.family(), changed, joined))
                .findings();
    }

    private static void assertFound(List<LayoutFinding> findings, String where, String what) {
        assertTrue(
                findings.stream()
                        .anyMatch(f -> f.where().equals(where) && f.what().contains(what)),
                findings.toString());
    }

    @Test
    void aPartNobodyFeedsAndAPipeThatLeadsNowhere() {
        List<LayoutFinding> found = findings(parts -> parts.add(new Component.Pipe("stray", 5, false)), joints -> {});
        assertFound(found, "stray", "not joined to the master's side");
        assertFound(found, "stray", "leads nowhere");
    }

    @Test
    void aChamberThatFeedsNothingOrHasHardlyAStroke() {
        Component.Master master = TARN.master();
        for (double strokeMm : new double[] {0.5, 14}) {
            Component.Master changed = new Component.Master(
                    master.id(),
                    master.kind(),
                    master.boreMm(),
                    master.fastFillBoreMm(),
                    master.primaryStrokeMm(),
                    strokeMm,
                    master.portTravelMm(),
                    master.springsN(),
                    master.residualValveBar(),
                    master.bleedScrew());
            List<LayoutFinding> found = findings(
                    parts -> parts.replaceAll(part -> part == master ? changed : part),
                    joints -> joints.replaceAll(j -> j.chamber() == Chamber.SECONDARY
                            ? new Joint(j.id(), j.from(), j.to(), Chamber.PRIMARY)
                            : j));
            assertFound(found, "master", "has a secondary chamber that feeds nothing");
            assertEquals(
                    strokeMm < 3, found.stream().anyMatch(f -> f.what().contains("at least 3.0 mm")), found.toString());
        }
    }

    @Test
    void fluidHasOneWayIn() {
        List<LayoutFinding> found = findings(
                parts -> {}, joints -> joints.add(new Joint("twice", "modulator", "front-left-pipe", Chamber.PRIMARY)));
        assertFound(found, "front-left-pipe", "fed by 2 joints");
    }

    @Test
    void nothingStandsBehindAnEnd() {
        List<LayoutFinding> found = findings(
                parts -> parts.add(
                        new End.DiscEnd("behind", End.Axle.REAR, End.Side.LEFT, 40, 1, 0.1, 0.01, 0.005, 100)),
                joints -> joints.add(new Joint("odd", "front-left", "behind", Chamber.PRIMARY)));
        assertFound(found, "front-left", "something is joined behind it");
    }

    @Test
    void aRingApartFromTheMasterIsNoCircuit() {
        List<LayoutFinding> found = findings(
                parts -> parts.addAll(
                        List.of(new Component.Pipe("ring-a", 5, false), new Component.Pipe("ring-b", 5, false))),
                joints -> joints.addAll(List.of(
                        new Joint("ab", "ring-a", "ring-b", Chamber.PRIMARY),
                        new Joint("ba", "ring-b", "ring-a", Chamber.PRIMARY))));
        assertFound(found, "ring-a", "not joined to the master's side");
    }

    @Test
    void aJointCarriesTheChamberOfWhatFeedsIt() {
        List<LayoutFinding> found = findings(
                parts -> {},
                joints -> joints.replaceAll(j -> j.id().equals("front-left-hose-end")
                        ? new Joint(j.id(), j.from(), j.to(), Chamber.SECONDARY)
                        : j));
        assertFound(found, "front-left-hose-end", "what feeds front-left-hose does not");
    }

    @Test
    void twoAssistsTwoModulatorsNoEnds() {
        List<LayoutFinding> found = findings(
                parts -> {
                    parts.add(new Assist.VacuumAssist("another", 30_000, 5, 40, 400, 65, 1, 3));
                    parts.add(new Component.Modulator("second", 10, 3));
                    parts.removeIf(End.class::isInstance);
                },
                joints -> {});
        assertFound(found, "assist", "at most one");
        assertFound(found, "modulator", "at most one");
        assertFound(found, "ends", "at least one");
    }

    @Test
    void aMasterOfOneChamberFeedsNoSecondary() {
        List<LayoutFinding> found = findings(
                parts -> parts.replaceAll(c -> c instanceof Component.Master m
                        ? new Component.Master(
                                m.id(),
                                m.kind(),
                                m.boreMm(),
                                m.boreMm(),
                                m.primaryStrokeMm(),
                                0,
                                m.portTravelMm(),
                                m.springsN(),
                                0,
                                m.bleedScrew())
                        : c),
                joints -> {});
        assertFound(found, "rear-port", "has one chamber only");
    }

    @Test
    void theFamilyFitsTheParts() {
        for (Family family : Family.values()) {
            if (family == TARN.family()) {
                continue;
            }
            ImpossibleLayoutException refused = assertThrows(
                    ImpossibleLayoutException.class,
                    () -> new Layout("other", family, TARN.components(), TARN.joints()));
            assertFound(refused.findings(), "family", family.lever() ? "needs a lever" : "does not fit");
        }
    }

    @Test
    void onlyPlainRubberMayBeClamped() {
        assertEquals(4, TARN.clamps().size());
        assertEquals(List.of(), Presets.layout("wisp-courier-clutch").clamps(), "braided");
        assertEquals(List.of(), Presets.layout("pellow-saloon-clutch").clamps(), "plastic");
    }

    @Test
    void whatLiesUpstreamFollowsTheChamber() {
        assertEquals(
                List.of("rear-pipe", "modulator", "rear-left-pipe", "rear-left-hose"),
                List.copyOf(TARN.upstream("rear-left")));
        assertEquals(
                List.of("main-pipe", "front-tee", "rear-main-pipe", "rear-tee", "rear-right-pipe", "rear-right-hose"),
                List.copyOf(Presets.layout("old-bess-tender").upstream("rear-right")));
        assertEquals(
                Set.of("master", "front-main-pipe", "front-pipe", "front-hose", "front"),
                Presets.layout("ardle-mail-trike").connected(Chamber.PRIMARY, CutSet.NONE));
    }

    /** Rod travel and lever travel are each other's inverse along the whole arc, and the ratio is their slope. */
    @Property(tries = 200, seed = "20261127")
    void aLeversArcIsConsistent(
            @ForAll @DoubleRange(min = 3, max = 9) double atRest,
            @ForAll @DoubleRange(min = 3, max = 9) double atGrip,
            @ForAll @DoubleRange(min = 0, max = 75) double travel) {
        Input.Lever lever = new Input.Lever("lever", atRest, atGrip, 75, 4);
        double rod = lever.rodTravelMm(travel);
        assertEquals(travel, lever.travelMm(rod), 1e-6);
        double slope = (lever.rodTravelMm(travel + 1e-4) - rod) / 1e-4;
        if (travel < 74) {
            assertEquals(1 / lever.ratioAt(travel), slope, 1e-4);
        }
    }
}
