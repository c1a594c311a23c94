package overturn.quantity;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MeasureUnitTest {

    @ParameterizedTest
    @CsvSource({
        "212, °F, 100",
        "32, °F, 0",
        "72, °F rise, 40",
        "-40, °F, -40",
        "1, in, 25.4",
        "1, m, 1000",
        "1, ft, 304.8",
        "14.5038, psi, 1",
        "1, lbf, 4.4482",
        "1, lbf ft, 1.35582",
        "1, cm², 100",
        "1, in², 645.16",
        "29.53, inHg, 100",
        "1, fl oz, 29.5735",
        "1, kgf, 9.80665"
    })
    void valuesArriveInTheCoresUnit(double value, String symbol, double core) {
        MeasureUnit unit = MeasureUnit.ofSymbol(symbol).orElseThrow();
        assertEquals(core, unit.toCore(value), 2e-4 * Math.max(1, Math.abs(core)));
    }

    @Property(tries = 300, seed = "20261127")
    void thereAndBackIsTheSame(@ForAll @DoubleRange(min = -1000, max = 1000) double value) {
        for (MeasureUnit unit : MeasureUnit.values()) {
            assertEquals(value, unit.fromCore(unit.toCore(value)), 1e-9 * Math.max(1, Math.abs(value)), unit.symbol());
        }
    }

    @Test
    void everyDimensionHasItsOwnCoreUnitAndNoSymbolStandsTwice() {
        for (Dimension dimension : Dimension.values()) {
            assertEquals(dimension, dimension.coreUnit().dimension());
            assertEquals(7.25, dimension.coreUnit().toCore(7.25), 1e-12);
            assertTrue(MeasureUnit.of(dimension).contains(dimension.coreUnit()));
        }
        assertEquals(
                MeasureUnit.values().length,
                java.util.Arrays.stream(MeasureUnit.values())
                        .map(MeasureUnit::symbol)
                        .distinct()
                        .count());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "15/16 in | mm | 23.8125",
                "0.94 in | mm | 23.876",
                "23.8 | mm | 23.8",
                "23,8 mm | in | 23.8",
                "1 1/8 in | mm | 28.575",
                "55 cm² | mm² | 5500",
                "104 °F | °C | 40",
                "72 °F rise | °C rise | 40",
                "3 % | % | 3",
                "0,06 mL/bar | mL/bar | 0.06",
                "1.2 m | mm | 1200",
                "4 × | × | 4"
            })
    void mixedInputIsTaken(String text, String asked, double core) {
        assertEquals(
                core,
                QuantityParser.parse(text, MeasureUnit.ofSymbol(asked).orElseThrow())
                        .coreValue(),
                1e-6 * Math.max(1, core));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {"5 bar | mm", "wide | mm", "1/0 in | mm", "12 mm² | mm", "'' | mm", "5 5 | mm", "°C | °C"})
    void whatMeasuresSomethingElseOrNothingIsRefused(String text, String asked) {
        assertThrows(
                QuantityFormatException.class,
                () -> QuantityParser.parse(text, MeasureUnit.ofSymbol(asked).orElseThrow()));
    }
}
