package overturn.layoutfile;

import java.util.List;
import java.util.stream.Collectors;

/** A layout file that cannot be taken, with every reason at once. */
public final class RefusedLayoutException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final transient List<Refusal> refusals;

    RefusedLayoutException(List<Refusal> refusals) {
        super(refusals.stream().map(r -> r.field() + ": " + r.why()).collect(Collectors.joining("; ")));
        this.refusals = List.copyOf(refusals);
    }

    /**
     * One reason.
     *
     * @param field where in the file, for example {@code components.2.boreMm}, or the part or joint
     * @param given what stood there
     * @param why what is wrong and what is allowed
     */
    public record Refusal(String field, String given, String why) {}

    public List<Refusal> refusals() {
        return refusals;
    }
}
