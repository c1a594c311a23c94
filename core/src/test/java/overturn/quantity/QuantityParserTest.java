package overturn.quantity;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class QuantityParserTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "23.8|23.8",
                "23,8|23.8",
                "23,8 mm|23.8",
                "15/16 in|23.8125",
                "1 1/8 in|28.575",
                "0.94\"|23.876",
                "-3|-3",
                "0|0",
                ".5|0.5",
                "12.|12",
                "128 740|128740",
                "1 280,5 mm|1280.5",
                "612 - 540|72",
                "612,5 \u2212 540|72.5",
                "24 1/8 - 21 in|79.375",
                "540 - 612|-72"
            })
    void readsWhatTechniciansType(String text, double millimetres) {
        TypedQuantity quantity = QuantityParser.parse(text, MeasureUnit.MILLIMETRE);
        assertEquals(millimetres, quantity.coreValue(), 1e-9);
        assertEquals(text, quantity.text(), "never rewritten");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                " ",
                "hard",
                "12 bar",
                "1/0",
                "1e400",
                "NaN",
                "Infinity",
                "1,2,3",
                "--4",
                "12 furlong",
                "٣",
                "5 - ",
                " - 5",
                "9 - 4 - 2"
            })
    void saysWhatIsWrongWithTheRest(String text) {
        QuantityFormatException refused =
                assertThrows(QuantityFormatException.class, () -> QuantityParser.parse(text, MeasureUnit.MILLIMETRE));
        assertTrue(refused.getMessage().contains("“" + text + "”")
                && refused.getMessage().contains("mm"));
    }

    @Property(seed = "20261127")
    void anythingTypedIsReadOrRefusedAndNeverElse(@ForAll String text) {
        try {
            assertTrue(
                    Double.isFinite(QuantityParser.parse(text, MeasureUnit.BAR).coreValue()));
        } catch (QuantityFormatException refused) {
            assertTrue(refused.getMessage()
                    .contains(text.substring(0, Math.min(text.length(), QuantityParser.MOST_CHARACTERS))));
        }
    }

    @Test
    void aTextLongerThanAnyFigureIsRefusedUnreadWhateverStandsInIt() {
        String refused = assertThrows(
                        QuantityFormatException.class,
                        () -> QuantityParser.parse("4" + " ".repeat(60_000), MeasureUnit.MILLIMETRE))
                .getMessage();
        assertTrue(refused.contains("at most 40 characters") && refused.length() < 250, refused);
        assertEquals(
                4,
                QuantityParser.parse("4" + " ".repeat(39), MeasureUnit.MILLIMETRE)
                        .coreValue());
    }

    @Property(seed = "20261127")
    void conversionThereAndBackChangesNothing(@ForAll MeasureUnit unit, @ForAll int value) {
        assertEquals(value, unit.fromCore(unit.toCore(value)), 1e-12 + Math.abs((double) value) * 1e-12);
        assertEquals(1.0, unit.dimension().coreUnit().toCore(1));
    }
}
