package overturn.procedure;

import java.util.Set;
import java.util.stream.Stream;
import overturn.circuit.Input;
import overturn.circuit.Layout;
import overturn.words.Words;

/**
 * Which sentence a step is said with on a vehicle: its own, or one for a hand lever, for a vehicle without an assist,
 * for a master of one chamber, where such a one is written.
 */
public final class StepWords {

    /** Between the key of a sentence and the kind of vehicle that it is for. */
    public static final String FOR = "@";

    private static final Set<String> WRITTEN = Set.copyOf(Words.all().keySet());

    private StepWords() {}

    /** Key of the sentence of a step on this layout. */
    public static String key(Procedure procedure, Step step, Layout layout) {
        String own = "test." + procedure.wordId() + ".step." + step.id();
        return kinds(layout)
                .map(kind -> own + FOR + kind)
                .filter(WRITTEN::contains)
                .findFirst()
                .orElse(own);
    }

    /** The kinds of vehicle that a layout is, the one that says most first. */
    private static Stream<String> kinds(Layout layout) {
        return Stream.of(
                        layout.input() instanceof Input.Lever ? "lever" : "",
                        layout.assist().isEmpty() ? "unassisted" : "",
                        layout.master().tandem() ? "" : "single")
                .filter(kind -> !kind.isEmpty());
    }
}
