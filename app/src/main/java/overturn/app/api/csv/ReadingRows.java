package overturn.app.api.csv;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import overturn.app.job.Entry.ReadingTaken;
import overturn.app.job.LoggedEntry;
import overturn.measurement.ReadingValue.Figures;
import overturn.measurement.ReadingValue.Observed;
import overturn.quantity.TypedQuantity;
import overturn.words.Words;

/** A reading as rows of a table. */
final class ReadingRows {

    private static final Map<String, String> WORDS = Words.all();
    static final List<String> HEAD = List.of(
            "entry",
            "taken_at",
            "person",
            "test",
            "test_id",
            "figure_id",
            "seen",
            "typed",
            "unit",
            "value",
            "value_unit",
            "rig",
            "trust",
            "struck");

    private ReadingRows() {}

    /** A row for each figure, as typed and in the core's unit; one for what was seen. */
    static List<List<String>> of(LoggedEntry logged, ReadingTaken taken, String person, boolean struck) {
        List<String> front = List.of(
                Integer.toString(logged.sequence()),
                logged.takenAt().toString(),
                person,
                WORDS.getOrDefault("test." + taken.procedureId(), taken.procedureId()),
                taken.procedureId());
        List<String> back =
                List.of(taken.rigSetup(), taken.trust().name().toLowerCase(Locale.ROOT), Boolean.toString(struck));
        if (taken.value() instanceof Observed observed) {
            return List.of(row(front, List.of("", observed.option(), "", "", "", ""), back));
        }
        List<List<String>> rows = new ArrayList<>();
        List<Optional<TypedQuantity>> figures = ((Figures) taken.value()).taken();
        for (int i = 0; i < figures.size(); i++) {
            String figure = i < taken.figureIds().size() ? taken.figureIds().get(i) : Integer.toString(i + 1);
            figures.get(i)
                    .ifPresent(q -> rows.add(row(
                            front,
                            List.of(
                                    figure,
                                    "",
                                    q.text(),
                                    q.unit().symbol(),
                                    Double.toString(q.coreValue()),
                                    q.unit().dimension().coreUnit().symbol()),
                            back)));
        }
        return rows;
    }

    private static List<String> row(List<String> front, List<String> middle, List<String> back) {
        List<String> row = new ArrayList<>(front);
        row.addAll(middle);
        row.addAll(back);
        return row;
    }
}
