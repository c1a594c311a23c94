package overturn.app.store;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import overturn.app.job.Bleeding;
import overturn.app.job.Entry;
import overturn.app.job.Entry.NotUnderstood;
import overturn.app.job.Entry.ReadingTaken;
import overturn.app.job.Entry.VerdictAccepted;
import overturn.app.job.RepairEntry;
import overturn.measurement.ReadingValue.Figures;
import overturn.measurement.RigTrust;
import overturn.quantity.MeasureUnit;
import overturn.quantity.TypedQuantity;
import overturn.verdict.Grade;
import overturn.verdict.Verdict.Missing;

/** Bodies of every version are read; what cannot be is kept and said to be so. */
class EntryJsonTest {

    private final EntryJson json = new EntryJson();

    private static Optional<TypedQuantity> inch(String text, double mm) {
        return Optional.of(new TypedQuantity(text, MeasureUnit.INCH, mm));
    }

    @Test
    void whatIsWrittenReadsBackEqual() {
        for (Entry entry : List.of(
                new ReadingTaken(
                        "hold-medium",
                        new Figures(List.of(inch("15/16", 23.8125), inch("1", 25.4))),
                        List.of("at-5", "at-60"),
                        "tape",
                        RigTrust.PROVEN),
                ReadingTaken.observed("dry-walk", "all-dry", "eye@dry-walk", RigTrust.DOUBTFUL),
                new VerdictAccepted(
                        List.of("renew-master", "set-rod"),
                        Grade.PROVEN,
                        0.97,
                        List.of(new UUID(1, 2)),
                        List.of(Missing.A_CARRIER),
                        "",
                        List.of("master", "pedal"),
                        new Bleeding("wedged", "diagonal"),
                        Map.of("priming", "bench")),
                new RepairEntry.WayChosen("rework", "reseal"),
                new RepairEntry.BleedingChosen(
                        new Bleeding("reverse", "nearest-first"), List.of("front-left", "rear-left"), "maker’s book"),
                new RepairEntry.WorkStepDone(
                        "compare-bore@master",
                        List.of(new RepairEntry.WorkStepDone.Measured("new-bore", "15/16", "in", 23.8125)),
                        ""),
                new RepairEntry.StrokesBled("rear-left", 5, "few", "dark"),
                new RepairEntry.LevelEntered("max", "", 90),
                new RepairEntry.CircuitRested(),
                new RepairEntry.CheckDone("hard-press", "failed", "drips at the flare", "", false, 0, List.of()),
                new RepairEntry.CheckDone(
                        "travel-same",
                        "passed",
                        "away to the mainland",
                        "00000000-0000-0005-0000-000000000008",
                        true,
                        60,
                        List.of(new RepairEntry.CheckDone.Judged("medium", 38.5, 30, 47))),
                RepairEntry.JobReleased.now(true, "2026-11-28", "ines-quill"),
                new Entry.CameBack(new UUID(3, 4), true))) {
            assertEquals(entry, json.read(entry.kind(), json.version(entry.kind()), json.write(entry)));
        }
    }

    @Test
    void aReadingOfTheFirstVersionTellsItsFiguresByTheirPlace() {
        Entry read = json.read("reading-taken", 1, """
                {"procedureId":"hold-medium","figures":[{"text":"15/16","unit":"in","coreValue":23.8125},null,{"text":"1","unit":"in","coreValue":25.4},null],
                 "observed":null,"rigSetup":"foot-and-tape","trust":"PROVEN"}""");
        assertEquals(
                new ReadingTaken(
                        "hold-medium",
                        new Figures(List.of(inch("15/16", 23.8125), Optional.empty(), inch("1", 25.4))),
                        List.of(),
                        "foot-and-tape",
                        RigTrust.PROVEN),
                read);
        assertEquals(
                read,
                json.read("reading-taken", json.version("reading-taken"), json.write(read)),
                "and so does one written again");
    }

    @Test
    void aVerdictOfTheFirstVersionNamedOneRemedy() {
        assertEquals(
                new VerdictAccepted(
                        List.of("bleed-rear"),
                        Grade.PROBABLE,
                        0.85,
                        List.of(),
                        List.of(),
                        "ferry",
                        List.of(),
                        Bleeding.USUAL),
                json.read(
                        "verdict-accepted",
                        1,
                        "{\"remedyId\":\"bleed-rear\",\"grade\":\"PROBABLE\",\"probability\":0.85,\"why\":\"ferry\"}"));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "horoscope-cast | 1 | {\"sign\":\"crab\"}",
                "note-written | 9 | {\"text\":\"from later\"}",
                "reading-taken | 2 | {\"procedureId\":\"free-play\"}",
                "reading-taken | 2 | {\"procedureId\":\"dry-walk\",\"observed\":\"all-dry\",\"rigSetup\":\"eye\",\"trust\":\"BLIND\"}",
                "reading-taken | 2 | {\"procedureId\":\"free-play\",\"figures\":[{\"id\":\"play\",\"text\":\"4\",\"unit\":\"ell\",\"coreValue\":4}],\"rigSetup\":\"t\",\"trust\":\"NORMAL\"}",
                "verdict-accepted | 2 | []",
                "check-done | 1 | {\"checkId\":\"hard-press\",\"outcome\":\"passed\",\"seen\":null}",
                "check-done | 1 | {\"checkId\":\"hard-press\",\"outcome\":\"perhaps\",\"seen\":\"\"}",
                "level-entered | 1 | {\"unit\":\"\",\"aboveMinimumMl\":3}",
                "strokes-bled | 1 | {\"endId\":\"slave\",\"count\":5,\"bubbles\":\"some\",\"colour\":\"clear\"}",
                "part-moved | 1 | {\"part\":\"master\",\"state\":\"eaten\",\"note\":\"\"}",
                "entry-struck | 1 | {\"struckId\":\"not an id\",\"why\":\"x\"}",
                "verdict-accepted | 1 | 7"
            })
    void whatCannotBeReadIsKeptAsItStands(String kind, int version, String body) {
        NotUnderstood kept = assertInstanceOf(NotUnderstood.class, json.read(kind, version, body));
        assertEquals(new NotUnderstood(kind, body), kept);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "true | 1 | {\"checkId\":\"hard-press\",\"outcome\":\"passed\",\"seen\":\"\"}",
                "false | 1 | {\"checkId\":\"hard-press\",\"outcome\":\"passed\"}",
                "false | 1 | {\"checkId\":\"hard-press\",\"outcome\":\"passed\",\"seen\":\"\",\"more\":1}",
                "false | 1 | {\"checkId\":7,\"outcome\":\"passed\",\"seen\":\"\"}",
                "true | 9 | {\"whatever\":\"a later version says\"}"
            })
    void aBodyIsAsWrittenIfNothingIsMissingAndNothingElseIsInIt(boolean asWritten, int version, String body) {
        assertEquals(asWritten, json.isAsWritten("check-done", version, body));
    }

    @Test
    void numbersAreTheSameHoweverTheyAreWritten() {
        assertTrue(json.isAsWritten("level-entered", 1, "{\"text\":\"max\",\"unit\":\"\",\"aboveMinimumMl\":90}"));
        assertTrue(json.isAsWritten("job-released", 1, "{\"conditional\":true,\"recheckOn\":\"\",\"secondId\":\"\"}"));
    }
}
