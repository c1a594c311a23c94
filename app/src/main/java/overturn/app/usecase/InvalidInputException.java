package overturn.app.usecase;

import java.util.List;
import java.util.stream.Collectors;

/** Input that cannot be taken; nothing was written. */
public final class InvalidInputException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final transient List<Finding> findings;

    public InvalidInputException(List<Finding> findings) {
        super(findings.stream()
                .map(f -> f.field() + ": " + f.given() + " was given, allowed is " + f.allowed())
                .collect(Collectors.joining("; ")));
        this.findings = List.copyOf(findings);
    }

    public List<Finding> findings() {
        return findings;
    }
}
