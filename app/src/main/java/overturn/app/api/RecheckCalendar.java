package overturn.app.api;

import biweekly.Biweekly;
import biweekly.ICalendar;
import biweekly.component.VEvent;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Date;
import java.util.Map;
import java.util.UUID;
import org.springframework.http.MediaType;
import overturn.words.Words;

/** Days on which vehicles are to be looked at again, as a calendar (RFC 5545). */
public final class RecheckCalendar {

    public static final MediaType TYPE = new MediaType("text", "calendar", StandardCharsets.UTF_8);

    private static final Map<String, String> WORDS = Words.all();

    private final ICalendar calendar = new ICalendar();

    /** The same with one more vehicle. */
    public RecheckCalendar with(UUID jobId, String vehicle, LocalDate day) {
        VEvent event = new VEvent();
        event.setUid("overturn-" + jobId);
        event.setSummary("Re-check " + vehicle);
        event.setDescription(WORDS.get("check.level-same") + " " + WORDS.get("check.travel-same") + " "
                + WORDS.get("check.still-dry"));
        event.setDateStart(Date.from(day.atStartOfDay(ZoneOffset.UTC).toInstant()), false);
        calendar.addEvent(event);
        return this;
    }

    public byte[] bytes() {
        return Biweekly.write(calendar).go().getBytes(StandardCharsets.UTF_8);
    }
}
