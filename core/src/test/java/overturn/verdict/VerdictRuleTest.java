package overturn.verdict;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import overturn.evidence.Reading;
import overturn.forecast.LayoutModel;
import overturn.inference.Belief;
import overturn.inference.BeliefHistory;
import overturn.inference.Intake;
import overturn.measurement.ReadingValue.Figures;
import overturn.measurement.ReadingValue.Observed;
import overturn.measurement.RigTrust;
import overturn.planning.Proposal;
import overturn.planning.Workshop;
import overturn.procedure.VehicleNeeds;
import overturn.quantity.MeasureUnit;
import overturn.quantity.TypedQuantity;
import overturn.support.Models;
import overturn.suspect.Cure;
import overturn.suspect.Remedy;
import overturn.verdict.Verdict.Missing;
import overturn.verdict.Verdict.Overturner;

/** When a verdict is open, probable or proven, and what it admits would overturn it. */
@Tag("slow")
class VerdictRuleTest {

    private static final LayoutModel MODEL = Models.tarn();
    private static final Reading SINKS =
            new Reading("characterise", "characterise", new Observed("sinks"), "eye@characterise", RigTrust.NORMAL);
    private static final Reading STEADY =
            new Reading("reservoir", "reservoir", new Observed("steady"), "eye@reservoir", RigTrust.NORMAL);
    private static final Reading DRY =
            new Reading("dry", "dry-walk", new Observed("all-dry"), "eye@dry-walk", RigTrust.NORMAL);
    private static final Reading HOLD = figures("hold-medium", "tape", RigTrust.PROVEN, 36, 41, 48, 60);
    private static final Reading RUNNING = figures("hold-running", "tape", RigTrust.PROVEN, 60, 64, 70, 82);
    private static final Reading GENTLE = figures("hold-gentle", "tape", RigTrust.PROVEN, 26, 28, 31, 36);

    private static Reading figures(String test, String setup, RigTrust trust, double... mm) {
        List<Optional<TypedQuantity>> taken = new ArrayList<>();
        for (double value : mm) {
            taken.add(Optional.of(new TypedQuantity(Double.toString(value), MeasureUnit.MILLIMETRE, value)));
        }
        return new Reading(test + setup + trust, test, new Figures(taken), setup, trust);
    }

    private static Reading plugs(String setup, RigTrust trust) {
        return figures("port-plugs", setup, trust, 13, 6, 6, 6, 4, 1);
    }

    private static Verdict verdict(Reading... readings) {
        return VerdictRule.of(MODEL, Workshop.WELL_EQUIPPED)
                .explained(BeliefHistory.of(MODEL, Intake.UNKNOWN, List.of(readings)));
    }

    private static Reading seen(String test, String option, RigTrust trust) {
        return new Reading(test, test, new Observed(option), "eye@" + test, trust);
    }

    /** A wet rear face is sure, bound slides are not: the master is begun with, and proving it tells of the slides. */
    @Test
    void theSureOneOfTwoRemediesIsNamedAlone() {
        List<Reading> readings = List.of(
                seen("assist-looked-into", "wet", RigTrust.PROVEN),
                seen("rear-face-papered", "wet", RigTrust.PROVEN),
                seen("ends-by-hand", "slides-bind", RigTrust.NORMAL),
                seen("slides-moved", "bind", RigTrust.DOUBTFUL));
        Belief now = BeliefHistory.of(MODEL, Intake.UNKNOWN, readings).now();
        Cure both = Cure.of(Remedy.RENEW_MASTER, Remedy.FREE_SLIDES);
        assertEquals(both, now.leadingCure());
        assertTrue(now.probability(both) < VerdictRule.PROBABLE_SHARE, "unsure: " + now.probability(both));
        Verdict verdict = verdict(readings.toArray(Reading[]::new));
        assertEquals(Cure.of(Remedy.RENEW_MASTER), verdict.cure());
        assertEquals(now.probability(Remedy.RENEW_MASTER), verdict.probability(), 1e-9);
        assertEquals(Grade.PROBABLE, verdict.grade());
        assertTrue(verdict.missing().contains(Missing.NO_SECOND_FAULT));
    }

    /** Everything speaks against a sound vehicle at once: where it leads and no rival has weight it may go out. */
    @Test
    void nothingWrongIsProbableBelowTheUsualShareWhereNoRivalHasWeight() {
        Verdict sound = verdict(SINKS, STEADY, DRY, seen("driven", "as-it-should", RigTrust.PROVEN));
        assertEquals(Remedy.HAND_BACK, sound.remedy());
        assertTrue(sound.probability() < VerdictRule.PROBABLE_SHARE, "with " + sound.probability());
        assertEquals(Grade.PROBABLE, sound.grade());
        Verdict felt = verdict(SINKS, STEADY, DRY, seen("driven", "slightly", RigTrust.PROVEN));
        assertEquals(Grade.OPEN, felt.grade(), "something is felt");
    }

    @Test
    void aComplaintAloneIsOpen() {
        Verdict verdict = verdict(SINKS);
        assertEquals(Grade.OPEN, verdict.grade());
        assertTrue(verdict.missing().containsAll(List.of(Missing.MORE_WEIGHT, Missing.A_CARRIER)));
    }

    @Test
    void whateverTheWeightNothingIsProvenByExclusion() {
        Verdict verdict = verdict(SINKS, STEADY, DRY, HOLD, RUNNING, GENTLE);
        assertEquals(Remedy.RENEW_MASTER, verdict.remedy());
        assertTrue(verdict.probability() > 0.95, "heavy " + verdict.probability());
        assertEquals(Grade.PROBABLE, verdict.grade());
        assertTrue(
                verdict.missing().contains(Missing.A_CARRIER), verdict.missing().toString());
    }

    @Test
    void anIsolationOnAProvenRigCarriesTheProof() {
        Verdict verdict = verdict(SINKS, STEADY, DRY, HOLD, RUNNING, GENTLE, plugs("plugs", RigTrust.PROVEN));
        assertEquals(Grade.PROVEN, verdict.grade(), verdict.missing().toString());
        assertEquals("port-plugs", verdict.carriers().get(0).procedureId());
    }

    @Test
    void theSameIsolationOnAnUncheckedRigIsOnlyProbableUntilAnotherRigSaysTheSame() {
        Verdict unchecked = verdict(SINKS, STEADY, DRY, HOLD, RUNNING, GENTLE, plugs("plugs", RigTrust.NORMAL));
        assertEquals(Grade.PROBABLE, unchecked.grade());
        assertTrue(
                unchecked.missing().contains(Missing.A_PROVEN_RIG),
                unchecked.missing().toString());
        Verdict repeated = verdict(
                SINKS,
                STEADY,
                DRY,
                HOLD,
                RUNNING,
                GENTLE,
                plugs("plugs", RigTrust.NORMAL),
                plugs("plugs-rig-2", RigTrust.NORMAL));
        assertFalse(
                repeated.missing().contains(Missing.A_PROVEN_RIG),
                repeated.missing().toString());
    }

    /** All agrees, but only two readings differ from sound: a fault in no list may still look the same. */
    @Test
    void fewReadingsDoNotRuleOutAFaultInNoList() {
        Verdict verdict = verdict(
                SINKS,
                DRY,
                figures("hold-medium", "tape", RigTrust.PROVEN, 37.5, 42.5, 49.5, 62.5),
                figures("port-plugs", "plugs", RigTrust.PROVEN, 12, 9, 9, 9, 0, 0));
        assertEquals(Grade.PROBABLE, verdict.grade());
        assertTrue(
                verdict.missing().contains(Missing.NOTHING_UNLISTED),
                verdict.missing().toString());
    }

    @Test
    void everyVerdictSaysWhatWouldOverturnIt() {
        Verdict verdict = verdict(SINKS, STEADY, DRY, HOLD, RUNNING, GENTLE, plugs("plugs", RigTrust.PROVEN));
        assertFalse(verdict.overturners().isEmpty());
        for (Overturner overturner : verdict.overturners()) {
            assertTrue(overturner.rival() != verdict.remedy());
            assertTrue(
                    overturner.figureId().isPresent() != overturner.option().isPresent(), "a figure or an observation");
            assertTrue(MODEL.procedures().find(overturner.procedureId()).isPresent());
        }
    }

    @Test
    void anAssessmentStopsProposingOnceItIsProven() {
        Assessment open = Assessment.of(
                MODEL, Intake.UNKNOWN, List.of(SINKS), VehicleNeeds.SEAT, Set.of(), Workshop.WELL_EQUIPPED);
        Assessment proven = Assessment.of(
                MODEL,
                Intake.UNKNOWN,
                List.of(SINKS, STEADY, DRY, HOLD, RUNNING, GENTLE, plugs("plugs", RigTrust.PROVEN)),
                VehicleNeeds.SEAT,
                Set.of(),
                Workshop.WELL_EQUIPPED);
        assertTrue(open.next().isPresent());
        assertTrue(proven.next().isEmpty());
        assertFalse(proven.proposals().isEmpty(), "others can still be chosen");
    }

    /** What is believed after these readings, with the tests that are, or are not, worth their minutes left to do. */
    private static Assessment leftWith(boolean worthDoing, Reading... readings) {
        Assessment all = Assessment.of(
                MODEL, Intake.UNKNOWN, List.of(readings), VehicleNeeds.SEAT, Set.of(), Workshop.WELL_EQUIPPED);
        List<Proposal> left = all.proposals().stream()
                .filter(test -> test.worthDoing() == worthDoing)
                .toList();
        assertFalse(left.isEmpty());
        return new Assessment(all.history(), left, all.verdict());
    }

    @Test
    void aProbableVerdictIsDecidedOnOnceNoTestIsWorthItsMinutesAndAnOpenOneIsNot() {
        Reading[] probable = {SINKS, STEADY, DRY, HOLD, RUNNING, GENTLE, plugs("plugs", RigTrust.DOUBTFUL)};
        Assessment enough = leftWith(false, probable);
        assertEquals(Grade.PROBABLE, enough.verdict().grade());
        assertTrue(enough.beforeDeciding().isEmpty());
        assertTrue(enough.next().isPresent(), "one can test on");
        Assessment worth = leftWith(true, SINKS, STEADY, DRY, HOLD);
        assertTrue(worth.beforeDeciding().isPresent());
        Assessment open = leftWith(false, SINKS);
        assertEquals(Grade.OPEN, open.verdict().grade());
        assertEquals(open.next(), open.beforeDeciding());
    }
}
