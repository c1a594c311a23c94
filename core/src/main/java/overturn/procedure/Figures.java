package overturn.procedure;

import java.util.Arrays;
import java.util.List;
import java.util.OptionalInt;
import overturn.measurement.Figure;
import overturn.measurement.ReadingSpec;
import overturn.quantity.Dimension;

/** The kinds of figure the catalogue asks for, with their noise (handbook 09 C). */
final class Figures {

    /** Where the tape is hooked, shared by one series, mm. */
    static final double DATUM_SD_MM = 2;
    private static final double TAPE_SD_MM = 1.2;
    private static final double SAME_TAPE_SD_MM = 0.8;
    private static final double LEVEL_SD_MM = 0.6;
    private static final double FREE_PLAY_SD_MM = 1;
    private static final double VACUUM_SD_KPA = 2;

    private Figures() {
    }

    static Figure travel(String id) {
        return new Figure(id, Dimension.LENGTH, 0, 200, TAPE_SD_MM, OptionalInt.empty());
    }

    static Figure travelAt(int second) {
        return new Figure("at-" + second, Dimension.LENGTH, 0, 200, SAME_TAPE_SD_MM, OptionalInt.of(second));
    }

    static Figure sink(String id) {
        return new Figure(id, Dimension.LENGTH, -20, 200, TAPE_SD_MM, OptionalInt.empty());
    }

    static Figure level(String id) {
        return new Figure(id, Dimension.LENGTH, -60, 60, LEVEL_SD_MM, OptionalInt.empty());
    }

    static Figure freePlay(String id) {
        return new Figure(id, Dimension.LENGTH, 0, 80, FREE_PLAY_SD_MM, OptionalInt.empty());
    }

    /** No depression can exceed a standard atmosphere. */
    static Figure supply(String id) {
        return new Figure(id, Dimension.DEPRESSION, 0, 101.325, VACUUM_SD_KPA, OptionalInt.empty());
    }

    /** Travel on one tape at these seconds of a hold. */
    static ReadingSpec.Series hold(int... seconds) {
        List<Figure> figures = Arrays.stream(seconds).mapToObj(Figures::travelAt).toList();
        return new ReadingSpec.Series(figures, DATUM_SD_MM);
    }

    /** Figures on one tape. */
    static ReadingSpec.Series onOneTape(Figure... figures) {
        return new ReadingSpec.Series(List.of(figures), DATUM_SD_MM);
    }

    /** Differences, in which the datum drops out. */
    static ReadingSpec.Series differences(Figure... figures) {
        return new ReadingSpec.Series(List.of(figures), 0);
    }
}
