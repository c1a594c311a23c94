package overturn.app.usecase.layout;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import overturn.app.layout.SavedLayouts;
import overturn.app.people.Actor;
import overturn.app.people.NotAllowedException;
import overturn.app.people.Role;
import overturn.app.usecase.InvalidInputException;
import overturn.layoutfile.LayoutFile;
import overturn.layoutfile.LayoutFiles;
import overturn.layoutfile.Presets;

class SaveLayoutTest {

    private static final Actor INES = new Actor("ines-quill", Role.LEAD, true);
    private static final Instant NOW = Instant.parse("2026-11-25T08:00:00Z");
    private static final String TARN =
            LayoutFiles.write(Presets.find("tarn-box-van").orElseThrow());
    private static final String OWN = TARN.replace("\"id\":\"tarn-box-van\"", "\"id\":\"own\"");

    private final SavedLayouts saved = mock(SavedLayouts.class);
    private final SaveLayout saveLayout = new SaveLayout(saved, Clock.fixed(NOW, ZoneOffset.UTC));

    @BeforeEach
    void nothingIsSavedYet() {
        when(saved.find(any())).thenReturn(Optional.empty());
    }

    @Test
    void aNewLayoutIsAddedWithItsMakerAndTime() {
        LayoutFile file = saveLayout.save(INES, OWN);
        verify(saved).add(file, "ines-quill", NOW);
    }

    @Test
    void theSameAgainIsNotAddedTwice() {
        when(saved.find("own")).thenReturn(Optional.of(LayoutFiles.read(OWN)));
        assertEquals("own", saveLayout.save(INES, OWN).id());
        verify(saved, never()).add(any(), any(), any());
    }

    @Test
    void anotherUnderTheSameIdIsRefusedAPresetToo() {
        when(saved.find("own")).thenReturn(Optional.of(LayoutFiles.read(OWN)));
        InvalidInputException refused = assertThrows(
                InvalidInputException.class,
                () -> saveLayout.save(INES, OWN.replace("\"boreMm\":23.81", "\"boreMm\":25.4")));
        assertEquals("id", refused.findings().get(0).field());
        assertThrows(
                InvalidInputException.class,
                () -> saveLayout.save(INES, TARN.replace("\"boreMm\":23.81", "\"boreMm\":25.4")));
        verify(saved, never()).add(any(), any(), any());
    }

    @Test
    void everyRefusalNamesItsFieldWithWhatWasGiven() {
        InvalidInputException refused = assertThrows(
                InvalidInputException.class,
                () -> saveLayout.check(
                        OWN.replace("\"boreMm\":23.81", "\"boreMm\":900").replace("\"ratio\":4.0", "\"ratio\":99")));
        assertTrue(refused.findings().stream()
                .anyMatch(f -> f.field().equals("components.2.boreMm")
                        && f.given().contains("900")
                        && f.allowed().contains("60")));
        assertTrue(refused.findings().stream()
                .anyMatch(
                        f -> f.field().equals("components.0.ratio") && f.given().contains("99")));
        Actor juno = new Actor("juno-vale", Role.APPRENTICE, false);
        assertThrows(NotAllowedException.class, () -> saveLayout.save(juno, OWN));
    }
}
