package overturn.bleeding;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import overturn.circuit.Component;
import overturn.circuit.Component.Hose;
import overturn.circuit.Component.Pipe;
import overturn.circuit.Layout;

/** The order in which ends are bled: the maker's where it is known, else by the workshop's school. */
final class BleedOrder {

    /** Fluid in a metre of brake hose, mL; estimate. */
    private static final double HOSE_ML_PER_M = 8;

    private BleedOrder() {}

    static List<String> of(Layout layout, List<String> ends, Schools schools) {
        if (schools.makersOrder().containsAll(ends)) {
            return schools.makersOrder().stream().filter(ends::contains).toList();
        }
        Comparator<String> byWay = Comparator.comparingDouble(end -> wayMl(layout, end));
        List<String> ordered = new ArrayList<>(ends);
        switch (schools.order()) {
            case FARTHEST_FIRST -> ordered.sort(byWay.reversed());
            case NEAREST_FIRST -> ordered.sort(byWay);
            case DIAGONAL ->
                ordered.sort(Comparator.comparing((String end) -> layout.chamberOf(end))
                        .thenComparing(byWay.reversed()));
        }
        return ordered;
    }

    /** Fluid between the master and an end, mL: the longer the way the more of it. */
    static double wayMl(Layout layout, String end) {
        return layout.upstream(end).stream()
                .map(layout::component)
                .mapToDouble(BleedOrder::fluidMl)
                .sum();
    }

    private static double fluidMl(Component part) {
        return part instanceof Pipe pipe
                ? pipe.fluidMl()
                : part instanceof Hose hose
                        ? HOSE_ML_PER_M * hose.lengthM()
                        : part instanceof Component.Modulator modulator ? modulator.fluidMl() : 0;
    }
}
