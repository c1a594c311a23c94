package overturn.quantity;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.charset.StandardCharsets;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class PlainTextTest {

    @ParameterizedTest
    @ValueSource(strings = {"", "ramp", "lamp 🔦", "line\nbreak", "½ in"})
    void ordinaryTextIsKept(String text) {
        assertTrue(PlainText.keeps(text));
    }

    @ParameterizedTest
    @ValueSource(strings = {"\u0000", "a\u0000b", "\ud800", "x\udc00", "\udd26\ud83d", "🔦\ud83d"})
    void nullCharactersAndHalvesOfPairsAreNot(String text) {
        assertFalse(PlainText.keeps(text));
    }

    /** What is kept is what comes back from UTF-8 unchanged, null characters apart. */
    @Property(seed = "20261127")
    void keptTextSurvivesUtf8(@ForAll String text) {
        boolean survives = new String(text.getBytes(StandardCharsets.UTF_8), StandardCharsets.UTF_8).equals(text)
                && text.indexOf(0) < 0;
        assertEquals(survives, PlainText.keeps(text));
    }
}
