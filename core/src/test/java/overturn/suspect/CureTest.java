package overturn.suspect;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class CureTest {

    @Test
    void whatOneRemedyBringsAlongIsNotNamedBesideIt() {
        Cure worn = Cure.of(Remedy.RENEW_MASTER);
        assertEquals(worn, worn.and(Cure.of(Remedy.BLEED_MASTER)), "a master that was off is bled");
        assertEquals(Cure.of(Remedy.RENEW_SLAVE), Cure.of(Remedy.BLEED_CLUTCH).and(Cure.of(Remedy.RENEW_SLAVE)));
        assertEquals(
                List.of(Remedy.LENGTHEN_ROD, Remedy.RENEW_MASTER),
                worn.and(Cure.of(Remedy.LENGTHEN_ROD)).remedies());
    }

    @Test
    void doneIsWhatIsNamedAndWhatItBringsAlong() {
        Cure master = Cure.of(Remedy.RENEW_MASTER);
        assertTrue(master.settles(Remedy.BLEED_FRONT));
        assertTrue(master.cures(Cure.of(Remedy.BLEED_FRONT)));
        assertFalse(master.includes(Cure.of(Remedy.BLEED_FRONT)), "but it would be a part for nothing");
        assertFalse(Cure.of(Remedy.BLEED_FRONT).cures(master));
        assertFalse(master.settles(Remedy.BLEED_MODULATOR), "that takes its own routine");
        assertTrue(Cure.of(Remedy.LENGTHEN_ROD).cures(Cure.HAND_BACK));
    }

    @ParameterizedTest
    @EnumSource(Remedy.class)
    void noRemedyIsPartOfItselfNorOfOneThatIsPartOfIt(Remedy remedy) {
        assertFalse(remedy.bringsAlong(remedy));
        for (Remedy other : Remedy.values()) {
            assertFalse(remedy.bringsAlong(other) && other.bringsAlong(remedy), remedy + " and " + other);
            for (Remedy third : Remedy.values()) {
                assertTrue(
                        !remedy.bringsAlong(other) || !other.bringsAlong(third) || remedy.bringsAlong(third),
                        remedy + ", " + other + ", " + third);
            }
        }
    }

    @Test
    void moreRemediesThanBitsAreRefusedInsteadOfMixedUp() {
        assertEquals(
                64,
                Cure.bits(IntStream.range(0, 64).boxed().toArray(Integer[]::new))
                        .size());
        assertThrows(
                IllegalStateException.class,
                () -> Cure.bits(IntStream.range(0, 65).boxed().toArray(Integer[]::new)));
    }
}
