package overturn.circuit;

import java.util.List;
import java.util.stream.Collectors;

/** A layout that cannot be built, with every finding at once. */
public final class ImpossibleLayoutException extends IllegalArgumentException {

    private static final long serialVersionUID = 1L;

    private final transient List<LayoutFinding> findings;

    ImpossibleLayoutException(String layoutId, List<LayoutFinding> findings) {
        super("Layout " + layoutId + ": "
                + findings.stream().map(f -> f.where() + " " + f.what()).collect(Collectors.joining("; ")));
        this.findings = List.copyOf(findings);
    }

    public List<LayoutFinding> findings() {
        return findings;
    }
}
