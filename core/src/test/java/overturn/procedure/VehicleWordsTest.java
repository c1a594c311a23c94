package overturn.procedure;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;

import org.junit.jupiter.api.Test;
import overturn.catalogue.CutSetProcedure;
import overturn.catalogue.ProcedureCatalogue;
import overturn.circuit.Layout;
import overturn.layoutfile.Presets;

/** What a test is called on a vehicle. */
class VehicleWordsTest {

    @Test
    void aTestThatIsDerivedFromTheLayoutNamesItsPlaces() {
        assertEquals(
                "Hold with clamps at: front left hose inlet, rear left hose inlet",
                VehicleWords.test("cut-clamps@front-left-hose-inlet+rear-left-hose-inlet", Presets.TARN_BOX_VAN));
        for (Layout layout : Presets.all()) {
            for (CutSetProcedure derived : ProcedureCatalogue.of(layout).cutSets()) {
                String name = VehicleWords.test(derived.procedure().id(), layout);
                assertFalse(name.matches(".*[{}@+].*"), name);
            }
        }
    }

    @Test
    void anotherTestIsCalledAsItIsOnThatVehicle() {
        assertEquals("Free play", VehicleWords.test("free-play", Presets.TARN_BOX_VAN));
        assertEquals("no-such-test", VehicleWords.test("no-such-test", Presets.TARN_BOX_VAN));
    }
}
