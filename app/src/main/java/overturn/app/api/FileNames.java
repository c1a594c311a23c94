package overturn.app.api;

import java.text.Normalizer;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Locale;

/** What a file is called that leaves the workshop: the vehicle, what it is, the day. */
public final class FileNames {

    private static final int MOST_CHARACTERS = 40;

    private FileNames() {}

    /** For example {@code tarn-sk-07-report-2026-11-29.pdf}; letters and digits only, so that every device takes it. */
    public static String of(String vehicle, String what, Clock clock, String ending) {
        String plain = Normalizer.normalize(vehicle, Normalizer.Form.NFD)
                .replaceAll("[^A-Za-z0-9]+", "-")
                .replaceAll("^-|-$", "")
                .toLowerCase(Locale.ROOT);
        String named = plain.isEmpty() ? "vehicle" : plain.substring(0, Math.min(MOST_CHARACTERS, plain.length()));
        return named + "-" + what + "-" + LocalDate.now(clock) + "." + ending;
    }
}
