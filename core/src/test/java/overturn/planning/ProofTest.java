package overturn.planning;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import overturn.suspect.Cure;
import overturn.suspect.Remedy;

/** What a proof asks of belief, on shares that are summed by hand. */
class ProofTest {

    private static final Cure MASTER = Cure.of(Remedy.RENEW_MASTER);
    private static final List<Cure> CURES = List.of(MASTER, Cure.LOOK_ELSEWHERE, Cure.HAND_BACK);

    @Test
    void aRareUnlistedFaultLeavesAProofStanding() {
        assertTrue(Proof.claim(CURES, new double[] {0.985, 0.01, 0.005}, MASTER).holds());
    }

    /** 0.01 counted three times is 0.03 of 1.02: more than 1.2 %, and 0.985 of 1.02 is 96.6 %. */
    @Test
    void misfitThatIsCountedAgainTakesTheProofAway() {
        double[] raised = Proof.untempered(CURES, new double[] {0.985, 0.01, 0.005}, 3);
        assertArrayEquals(new double[] {0.985, 0.03, 0.005}, raised, 1e-12);
        Proof.Claim claim = Proof.claim(CURES, raised, MASTER);
        assertFalse(claim.holds());
        assertEquals(List.of(Remedy.LOOK_ELSEWHERE), claim.rivals());
        assertEquals(0.985 / 1.02, claim.probability(), 1e-12);
    }

    @Test
    void aSecondFaultThatIsLikelyTakesTheProofAway() {
        List<Cure> cures = List.of(MASTER, Cure.of(Remedy.RENEW_MASTER, Remedy.CHANGE_FLUID));
        Proof.Claim claim = Proof.claim(cures, new double[] {0.8, 0.2}, MASTER);
        assertEquals(1, claim.probability(), 1e-12);
        assertEquals(0.8, claim.enough(), 1e-12);
        assertFalse(claim.holds());
    }
}
