package overturn.simulation;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import overturn.circuit.Assist;
import overturn.circuit.Component;
import overturn.circuit.Component.Hose;
import overturn.circuit.Component.Master;
import overturn.circuit.Component.MeteringValve;
import overturn.circuit.Component.Modulator;
import overturn.circuit.Component.ProportioningValve;
import overturn.circuit.End;
import overturn.circuit.Input;
import overturn.circuit.Layout;

/** A layout laid out in arrays, so that a run looks nothing up by name. Built once per layout. */
final class Plant {

    /** No such part; chosen. */
    static final int NONE = -1;

    final Layout layout;
    final Input input;
    /** Null where there is none. */
    final @Nullable Assist assist;

    final Master master;
    /** Null where there is none. */
    final @Nullable Modulator modulator;

    final Component[] parts;
    final int chambers;
    final double boreMm2;
    final double[] strokeLimitMm;
    /** Parts that are ends, and per part its end number. */
    final End[] ends;

    final int[] endPart;
    final int[] endChamber;
    /** Valve upstream of each part, or {@link #NONE}. */
    final int[] valve;
    /** Pipes, hoses and connectors upstream of each end, as part numbers. */
    final int[][] upstream;

    private final Map<String, Integer> numbers = new HashMap<>();

    Plant(Layout layout) {
        this.layout = layout;
        this.input = layout.input();
        this.assist = layout.assist().orElse(null);
        this.master = layout.master();
        this.modulator = layout.modulator().orElse(null);
        this.parts = layout.components().toArray(Component[]::new);
        for (int i = 0; i < parts.length; i++) {
            numbers.put(parts[i].id(), i);
        }
        this.chambers = layout.chambers().size();
        this.boreMm2 = master.areaMm2();
        this.strokeLimitMm = new double[] {master.primaryStrokeMm(), master.secondaryStrokeMm()};
        List<End> all = layout.ends();
        this.ends = all.toArray(End[]::new);
        this.endPart = all.stream().mapToInt(e -> number(e.id())).toArray();
        this.endChamber =
                all.stream().mapToInt(e -> layout.chamberOf(e.id()).ordinal()).toArray();
        this.upstream = all.stream()
                .map(e ->
                        layout.upstream(e.id()).stream().mapToInt(this::number).toArray())
                .toArray(int[][]::new);
        this.valve = new int[parts.length];
        for (int i = 0; i < parts.length; i++) {
            valve[i] = parts[i] instanceof End || parts[i] instanceof Hose ? valveAbove(parts[i].id()) : NONE;
        }
    }

    private int valveAbove(String id) {
        return layout.upstream(id).stream()
                .mapToInt(this::number)
                .filter(n -> parts[n] instanceof ProportioningValve || parts[n] instanceof MeteringValve)
                .findFirst()
                .orElse(NONE);
    }

    /** Number of a part. */
    int number(String id) {
        Integer number = numbers.get(id);
        if (number == null) {
            throw new IllegalArgumentException("Component " + id + " is not in layout " + layout.id());
        }
        return number;
    }

    /** Number of the end of that name. */
    int end(String id) {
        for (int e = 0; e < ends.length; e++) {
            if (ends[e].id().equals(id)) {
                return e;
            }
        }
        throw new IllegalArgumentException("Component " + id + " is no end of layout " + layout.id());
    }

    boolean tandem() {
        return chambers == 2;
    }
}
