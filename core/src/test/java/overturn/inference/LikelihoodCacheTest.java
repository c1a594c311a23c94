package overturn.inference;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotSame;
import static org.junit.jupiter.api.Assertions.assertSame;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import overturn.evidence.Reading;
import overturn.forecast.LayoutModel;
import overturn.likelihood.ReadingLikelihood;
import overturn.measurement.ReadingValue.Observed;
import overturn.measurement.RigTrust;
import overturn.support.Models;
import overturn.suspect.Cure;
import overturn.suspect.Remedy;
import overturn.suspect.Repaired;

class LikelihoodCacheTest {

    private static final LayoutModel MODEL = Models.of("wisp-courier-clutch");

    private static Reading dryWalk(RigTrust trust) {
        return new Reading("one", "dry-walk", new Observed("all-dry"), "lamp", trust);
    }

    @Test
    void theSameReadingIsJudgedOnce() {
        LikelihoodCache judged = new LikelihoodCache(MODEL, false);
        ReadingLikelihood normal = judged.of(dryWalk(RigTrust.NORMAL));
        assertSame(normal, judged.of(dryWalk(RigTrust.NORMAL)));
        ReadingLikelihood doubtful = judged.of(dryWalk(RigTrust.DOUBTFUL));
        assertNotSame(normal, doubtful, "trusted less, it is another reading");
        assertSame(judged.setup(List.of(normal)), judged.setup(List.of(normal)));
        assertNotSame(judged.setup(List.of(normal)), judged.setup(List.of(doubtful)));
    }

    @Test
    void whatIsBelievedOnOneReadingAloneDependsOnWhatWasRemedied() {
        LikelihoodCache judged = new LikelihoodCache(MODEL, false);
        List<ReadingLikelihood> one = List.of(judged.of(dryWalk(RigTrust.NORMAL)));
        Belief belief = BeliefHistory.of(MODEL, Intake.UNKNOWN, List.of()).now();
        AtomicInteger worked = new AtomicInteger();
        Repaired once = Repaired.NONE.and(Cure.of(Remedy.RENEW_MASTER));
        Repaired twice = once.and(Cure.of(Remedy.RENEW_MASTER));
        for (Repaired done : List.of(Repaired.NONE, once, twice, Repaired.NONE, once)) {
            assertSame(belief, judged.alone(one, done, () -> {
                worked.incrementAndGet();
                return belief;
            }));
        }
        assertEquals(3, worked.get());
    }

    @Test
    void aTestOfAnotherLayoutIsRefused() {
        Reading foreign = new Reading("one", "no-such-test", new Observed("all-dry"), "lamp", RigTrust.NORMAL);
        assertThrows(IllegalArgumentException.class, () -> new LikelihoodCache(MODEL, false).of(foreign));
    }
}
