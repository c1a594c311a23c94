package overturn.calculation;

import java.util.List;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** Inputs that a calculator cannot take. */
public final class RefusedInputsException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final transient List<Refusal> refusals;

    RefusedInputsException(List<Refusal> refusals) {
        super(refusals.stream().map(Refusal::id).collect(Collectors.joining(", ")));
        this.refusals = List.copyOf(refusals);
    }

    /**
     * One field refused.
     *
     * @param value what was given, NaN where nothing was
     * @param field its range; null where the calculator has no such input
     */
    public record Refusal(String id, double value, @Nullable Field field) {}

    public List<Refusal> refusals() {
        return refusals;
    }
}
