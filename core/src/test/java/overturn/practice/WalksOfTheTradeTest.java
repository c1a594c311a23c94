package overturn.practice;

import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvFileSource;
import overturn.catalogue.ProcedureCatalogue;
import overturn.evidence.Reading;
import overturn.forecast.LayoutModel;
import overturn.inference.Intake;
import overturn.inference.PlainFact;
import overturn.inference.WorkDone;
import overturn.inference.WorkDone.Area;
import overturn.inference.WorkDone.Bled;
import overturn.inference.WorkDone.Kind;
import overturn.measurement.Figure;
import overturn.measurement.ReadingSpec.Series;
import overturn.measurement.ReadingValue.Figures;
import overturn.measurement.ReadingValue.Observed;
import overturn.measurement.RigTrust;
import overturn.planning.Proposal;
import overturn.planning.Workshop;
import overturn.procedure.Procedure;
import overturn.procedure.VehicleNeeds;
import overturn.quantity.TypedQuantity;
import overturn.simulation.VehicleUnknowns;
import overturn.support.Models;
import overturn.suspect.Remedy;
import overturn.verdict.Assessment;
import overturn.verdict.Grade;

/**
 * Cases of the trade in a technician's words: what the driver says, what was worked on, what the eye saw, a few plain
 * readings. The right remedy has to lead, what to do next has to be what a technician would do, and a few plain
 * readings are no proof of anything that has to be opened.
 *
 * <p>Figures stand as differences from a sound vehicle of that layout: <em>20 mm lower after a minute</em>.
 */
@Tag("slow")
class WalksOfTheTradeTest {

    /** A technician looks at the first few proposals. */
    private static final int LOOKED_AT = 5;
    /** Above this nothing is left to be told apart, only to be proven. */
    private static final double KNOWN = 0.9;

    @ParameterizedTest(name = "{0}")
    @CsvFileSource(resources = "/overturn/walks-of-the-trade.csv", delimiter = '|', numLinesToSkip = 1)
    void theRightRemedyLeads(
            String walk,
            String layoutId,
            String behaviour,
            String work,
            String facts,
            String readings,
            String leads,
            String next) {
        LayoutModel model = Models.of(layoutId);
        List<Reading> read = new ArrayList<>();
        read.add(reading(model, ProcedureCatalogue.CHARACTERISE + "=" + behaviour));
        words(readings, ";").forEach(text -> read.add(reading(model, text)));
        Assessment assessment = Assessment.of(
                model,
                Intake.UNKNOWN.with(work(work), facts(facts)),
                read,
                VehicleNeeds.SEAT,
                Set.of(),
                Workshop.WELL_EQUIPPED);
        Set<Remedy> right = words(leads, " ").stream()
                .map(id -> model.suspects().get(model.indexOf(id)).remedy())
                .collect(Collectors.toSet());
        Remedy leading = assessment.history().now().leadingRemedy();
        assertTrue(
                right.isEmpty() || right.contains(leading),
                () -> walk + ": " + leading + " leads; " + told(assessment));
        if (words(leads, " ").size() > 1) {
            assertNotEquals(
                    Grade.PROVEN, assessment.verdict().grade(), walk + ": what is not told apart is not proven");
        }
        List<String> proposed = assessment.proposals().stream()
                .filter(Proposal::worthDoing)
                .limit(LOOKED_AT)
                .map(p -> p.procedure().id())
                .toList();
        assertTrue(
                next == null
                        || assessment.history().now().probability(leading) >= KNOWN
                        || proposed.stream().anyMatch(words(next, " ")::contains),
                () -> walk + ": next comes " + proposed + "; " + told(assessment));
    }

    private static String told(Assessment assessment) {
        return assessment.history().now().ranking().stream()
                        .limit(5)
                        .map(s -> s.id() + " "
                                + Math.round(100 * assessment.history().now().probability(s.id())) + " %")
                        .collect(Collectors.joining(", "))
                + ", none of these "
                + Math.round(100 * assessment.history().now().noneOfThese()) + " %; "
                + assessment.verdict().grade() + ", missing "
                + assessment.verdict().missing();
    }

    private static List<String> words(String text, String by) {
        return text == null
                ? List.of()
                : Arrays.stream(text.split(by))
                        .map(String::strip)
                        .filter(w -> !w.isEmpty())
                        .toList();
    }

    private static List<WorkDone> work(String text) {
        List<String> parts = words(text, " ");
        return parts.isEmpty()
                ? List.of()
                : List.of(new WorkDone(
                        WorkDone.find(Area.class, parts.get(0)).orElseThrow(),
                        WorkDone.find(Kind.class, parts.get(1)).orElseThrow(),
                        WorkDone.find(Bled.class, parts.get(2)).orElseThrow()));
    }

    private static Set<PlainFact> facts(String text) {
        return words(text, " ").stream()
                .map(id -> PlainFact.find(id).orElseThrow())
                .collect(Collectors.toSet());
    }

    private static Reading reading(LayoutModel model, String text) {
        boolean observed = text.contains("=");
        String id = text.split("[=~]")[0];
        Procedure test = model.procedures().find(id).orElseThrow(() -> new IllegalArgumentException("No test " + id));
        if (observed) {
            return new Reading(id, id, new Observed(text.split("=")[1]), "eye@" + id, RigTrust.PROVEN);
        }
        double[] sound = test.predicted(model.simulator().run(test.protocol(), VehicleUnknowns.NOMINAL, List.of()));
        List<Figure> figures = ((Series) test.spec()).figures();
        List<String> offsets = words(text.split("~")[1], " ");
        List<Optional<TypedQuantity>> taken = new ArrayList<>();
        for (int i = 0; i < figures.size(); i++) {
            double value = Math.max(0, sound[i] + Double.parseDouble(offsets.get(i)));
            taken.add(Optional.of(new TypedQuantity(
                    Double.toString(value), figures.get(i).dimension().coreUnit(), value)));
        }
        return new Reading(id, id, new Figures(taken), id + "-rig", RigTrust.NORMAL);
    }
}
