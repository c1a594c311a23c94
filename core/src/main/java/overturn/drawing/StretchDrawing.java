package overturn.drawing;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import overturn.circuit.Chamber;
import overturn.circuit.Component;
import overturn.circuit.Component.Hose;
import overturn.circuit.Component.Master;
import overturn.circuit.Component.Modulator;
import overturn.circuit.End;
import overturn.circuit.Joint;
import overturn.circuit.Layout;
import overturn.drawing.CircuitSheet.Hub;
import overturn.drawing.CircuitSheet.PlacedEnd;
import overturn.drawing.CircuitSheet.PlugPlace;
import overturn.drawing.CircuitSheet.Point;
import overturn.drawing.CircuitSheet.Stretch;

/** Draws pipes and hoses from the ports outwards, stretch by stretch. */
final class StretchDrawing {

    private static final double HOSE_LENGTH = 44;
    private static final double PORT_PLUG_BELOW = 34;
    /** From one plug to the next on the same pipe. */
    private static final double PLUG_ROOM = 14;
    /** Below the master a pipe goes straight. */
    private static final double BELOW_MASTER_Y = 190;
    /** To the right of what is written beside the master. */
    private static final double CLEAR_OF_LABEL_X = 592;

    private static final double BESIDE_MASTER_X = 478;
    private static final double LAST_BEND_X = 724;

    private final Layout layout;
    private final List<PlacedEnd> ends;
    private final double endRadius;
    private final List<Hub> hubs;
    private final List<Stretch> drawn = new ArrayList<>();

    StretchDrawing(Layout layout, List<PlacedEnd> ends, double endRadius, List<Hub> hubs) {
        this.layout = layout;
        this.ends = ends;
        this.endRadius = endRadius;
        this.hubs = hubs;
    }

    List<Stretch> all() {
        for (Joint port : layout.leaving(layout.master().id())) {
            run(port, CircuitSheet.port(port.chamber()), 0);
        }
        return List.copyOf(drawn);
    }

    /** Follows one joint to the next hub or end; {@code lane} keeps pipes that leave one hub apart. */
    private void run(Joint joint, Point from, double lane) {
        List<Joint> passed = new ArrayList<>(List.of(joint));
        Optional<Joint> found = Optional.empty();
        Optional<String> pipe = Optional.empty();
        Joint last = joint;
        while (!isDrawn(layout.component(last.to()))) {
            if (layout.component(last.to()) instanceof Hose) {
                found = Optional.of(last);
            } else if (pipe.isEmpty()) {
                pipe = Optional.of(last.to());
            }
            last = layout.leaving(last.to()).stream()
                    .filter(j -> j.chamber() == joint.chamber())
                    .findFirst()
                    .orElseThrow();
            passed.add(last);
        }
        Optional<Joint> hoseInlet = found;
        int secondary = joint.chamber() == Chamber.SECONDARY ? 1 : 0;
        Point target = target(last.to(), secondary);
        Point to = new Point(hoseInlet.isPresent() ? target.x() - HOSE_LENGTH : target.x(), target.y());
        Component start = layout.component(joint.from());
        String path = start instanceof Master ? fromPort(from, to, secondary) : fromHub(from, to, lane);
        int hoseAt = hoseInlet.map(passed::indexOf).orElse(passed.size());
        int firstOfHose = Math.max(1, hoseAt);
        drawn.add(new Stretch(
                joint.id(),
                from,
                path,
                pipe.or(() -> hoseInlet.map(Joint::to)).orElse(last.to()),
                false,
                plugs(passed.subList(0, firstOfHose), firstPlug(start, from, to, lane), to.x() - 12, to.y())));
        if (hoseAt < passed.size()) {
            Joint inlet = passed.get(hoseAt);
            String curve = "M" + number(to.x()) + " " + number(to.y()) + "c8 -10 14 10 22 0s14 -8 22 0";
            List<Joint> cuts = passed.subList(Math.min(firstOfHose, passed.size()), passed.size());
            drawn.add(new Stretch(inlet.id(), to, curve, inlet.to(), true, plugs(cuts, to, target.x() - 4, to.y())));
        }
        Joint arriving = last;
        hubs.stream()
                .filter(h -> h.id().equals(arriving.to()))
                .findFirst()
                .ifPresent(hub -> leave(hub, joint.chamber()));
    }

    private static boolean isDrawn(Component component) {
        return component instanceof End || CircuitSheet.isHub(component);
    }

    private Point target(String componentId, int secondary) {
        for (PlacedEnd end : ends) {
            if (end.id().equals(componentId)) {
                return new Point(end.at().x() - endRadius, end.at().y());
            }
        }
        Hub hub = hubs.stream()
                .filter(h -> h.id().equals(componentId))
                .findFirst()
                .orElseThrow();
        boolean twoInlets = layout.component(componentId) instanceof Modulator;
        return new Point(hub.at().x(), hub.at().y() + (twoInlets ? secondary * 34 - 16 : 0));
    }

    private void leave(Hub hub, Chamber chamber) {
        List<Joint> out = layout.leaving(hub.id());
        boolean modulator = layout.component(hub.id()) instanceof Modulator;
        for (int i = 0; i < out.size(); i++) {
            if (out.get(i).chamber() == chamber) {
                double fromMiddle = i - (out.size() - 1) / 2.0;
                double spread = modulator ? fromMiddle * Math.min(15, 60.0 / out.size()) : 0;
                run(out.get(i), new Point(hub.at().x() + hub.width(), hub.at().y() + spread), laneOf(fromMiddle));
            }
        }
    }

    /** The first joint where the stretch begins, the later ones one after the other before its end. */
    private static List<PlugPlace> plugs(List<Joint> joints, Point first, double lastX, double y) {
        List<PlugPlace> plugs = new ArrayList<>();
        for (int i = 0; i < joints.size(); i++) {
            Point at = i == 0 ? first : new Point(lastX - (joints.size() - 1 - i) * PLUG_ROOM, y);
            plugs.add(new PlugPlace(joints.get(i).id(), at));
        }
        return List.copyOf(plugs);
    }

    private static Point firstPlug(Component start, Point from, Point to, double lane) {
        if (start instanceof Master) {
            return new Point(from.x(), from.y() + PORT_PLUG_BELOW);
        }
        return start instanceof Modulator ? new Point(from.x() + 12, from.y()) : behindTee(from, to, lane);
    }

    /** Down from a port, across, and to its target; below the master it goes straight. */
    private static String fromPort(Point port, Point to, int secondary) {
        if (to.y() > BELOW_MASTER_Y) {
            return path(port, "V", to.y(), "H", to.x());
        }
        double x = (to.x() > CLEAR_OF_LABEL_X ? CLEAR_OF_LABEL_X : BESIDE_MASTER_X) - secondary * 16;
        return path(port, "V", 196 + (1 - secondary) * 20, "H", x, "V", to.y(), "H", to.x());
    }

    private static String fromHub(Point from, Point to, double lane) {
        return from.y() == to.y()
                ? path(from, "H", to.x())
                : path(from, "H", bend(from, to, lane), "V", to.y(), "H", to.x());
    }

    /**
     * A lane of its own for each pipe that leaves a hub, the outermost the furthest from the ends: where the ends
     * follow one another as the pipes do, no two cross.
     */
    private static double laneOf(double fromMiddle) {
        return fromMiddle > 0 ? fromMiddle - 0.5 : -fromMiddle;
    }

    private static double bend(Point from, Point to, double lane) {
        double last =
                to.x() - 3 * PLUG_ROOM > from.x() + 36 ? Math.min(LAST_BEND_X, to.x() - 3 * PLUG_ROOM) : to.x() - 8;
        return Math.max(from.x() + 14, last - lane * Math.min(18, (last - from.x() - 14) / 2));
    }

    /** Where a pipe is plugged that leaves a tee: past its bend, since all of them leave it in one place. */
    private static Point behindTee(Point from, Point to, double lane) {
        return from.y() == to.y()
                ? new Point(from.x() + 16, from.y())
                : new Point(Math.min(to.x(), bend(from, to, lane) + PLUG_ROOM), to.y());
    }

    private static String path(Point from, Object... lettersAndNumbers) {
        StringBuilder path = new StringBuilder("M" + number(from.x()) + " " + number(from.y()));
        for (Object part : lettersAndNumbers) {
            path.append(part instanceof Number n ? number(n.doubleValue()) : part);
        }
        return path.toString();
    }

    /** A tenth of a unit is finer than any line is drawn. */
    private static String number(double value) {
        return BigDecimal.valueOf(value)
                .setScale(1, RoundingMode.HALF_UP)
                .stripTrailingZeros()
                .toPlainString();
    }
}
