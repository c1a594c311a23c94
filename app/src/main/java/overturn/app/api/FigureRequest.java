package overturn.app.api;

import java.util.List;
import org.jspecify.annotations.Nullable;
import overturn.app.usecase.bench.Calculate;

/** A figure as typed, with its unit. */
public record FigureRequest(String id, String text, String unit) {

    /** Inputs of a calculator; what is missing or blank stands at the layout's figure. */
    public static List<Calculate.TypedInput> inputs(@Nullable List<FigureRequest> figures) {
        return figures == null
                ? List.of()
                : figures.stream()
                        .filter(f -> f != null && f.id() != null)
                        .map(f -> new Calculate.TypedInput(f.id(), f.text(), f.unit()))
                        .toList();
    }
}
