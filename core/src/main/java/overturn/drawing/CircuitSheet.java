package overturn.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import overturn.circuit.Chamber;
import overturn.circuit.Component;
import overturn.circuit.Component.Junction;
import overturn.circuit.Component.Master;
import overturn.circuit.Component.MeteringValve;
import overturn.circuit.Component.Modulator;
import overturn.circuit.Component.ProportioningValve;
import overturn.circuit.Component.QuickConnector;
import overturn.circuit.End;
import overturn.circuit.Joint;
import overturn.circuit.Layout;

/**
 * The sheet of one layout. Lengths are in units of the sheet, x to the right and y down.
 *
 * @param width of the sheet
 * @param height of the sheet
 * @param master box of the master
 * @param ports where the pipes of each chamber of this master leave
 * @param ends places of the ends, one below the other in the order of the layout
 * @param endRadius radius of an end, smaller where there are many
 * @param hubs valves, junctions, connectors and the modulator
 * @param stretches pipes and hoses from one drawn part to the next
 * @param underTestX line behind the outlets of a plugged modulator: nothing to the right of it is under test
 */
public record CircuitSheet(
        double width,
        double height,
        Box master,
        List<Port> ports,
        List<PlacedEnd> ends,
        double endRadius,
        List<Hub> hubs,
        List<Stretch> stretches,
        double underTestX) {

    private static final double WIDTH = 960;
    private static final double HEIGHT = 452;
    private static final double UNDER_TEST_X = 640;
    private static final Box MASTER = new Box(226, 98, 198, 68);
    private static final double PRIMARY_PORT_X = 286;
    private static final double SECONDARY_PORT_X = 372;
    private static final double END_X = 806;
    private static final double END_ROOM = 46;
    private static final double LONE_END_Y = 262;
    private static final double LARGEST_END_RADIUS = 34;
    private static final double SHARE_OF_STEP = 0.42;
    /** Left edges of hubs by how many hubs lie between them and the master. */
    private static final double[] HUB_X = {500, 596, 680};

    private static final double MODULATOR_Y = 298;
    private static final double HIGHEST_HUB_Y = 132;
    private static final double LOWEST_HUB_Y = HEIGHT - 50;

    /** A point of the sheet. */
    public record Point(double x, double y) {}

    /** A box by its left upper corner. */
    public record Box(double x, double y, double width, double height) {}

    /** Where the pipes of one chamber leave the master. */
    public record Port(Chamber chamber, Point at) {}

    /** An end by its middle. */
    public record PlacedEnd(String id, Point at) {}

    /** A hub by the middle of its left edge. */
    public record Hub(String id, Point at, double width, double height) {}

    /** Where a joint is plugged. */
    public record PlugPlace(String jointId, Point at) {}

    /**
     * A stretch from one drawn part to the next.
     *
     * @param id the joint at which it begins
     * @param from where it begins
     * @param path SVG path data
     * @param to the component that is drawn with it
     * @param hose whether it is a hose
     * @param plugs the joints that are cut on it and where each is plugged, in their order
     */
    public record Stretch(String id, Point from, String path, String to, boolean hose, List<PlugPlace> plugs) {}

    /** The sheet of a layout; any tree of ports, hubs and ends is drawn. */
    public static CircuitSheet of(Layout layout) {
        List<End> ends = layout.ends();
        double step = ends.size() > 1 ? (HEIGHT - 2 * END_ROOM) / (ends.size() - 1) : 0;
        double radius = ends.size() > 1 ? Math.min(LARGEST_END_RADIUS, SHARE_OF_STEP * step) : LARGEST_END_RADIUS;
        List<PlacedEnd> placedEnds = IntStream.range(0, ends.size())
                .mapToObj(i -> new PlacedEnd(
                        ends.get(i).id(), new Point(END_X, ends.size() > 1 ? END_ROOM + i * step : LONE_END_Y)))
                .toList();
        List<Hub> hubs = layout.components().stream()
                .filter(CircuitSheet::isHub)
                .map(hub -> placed(hub, layout, placedEnds))
                .toList();
        List<Stretch> stretches = new StretchDrawing(layout, placedEnds, radius, hubs).all();
        List<Port> ports = layout.chambers().stream()
                .map(chamber -> new Port(chamber, port(chamber)))
                .toList();
        return new CircuitSheet(WIDTH, HEIGHT, MASTER, ports, placedEnds, radius, hubs, stretches, UNDER_TEST_X);
    }

    static Point port(Chamber chamber) {
        return new Point(chamber == Chamber.PRIMARY ? PRIMARY_PORT_X : SECONDARY_PORT_X, MASTER.y() + MASTER.height());
    }

    static boolean isHub(Component component) {
        return component instanceof Modulator
                || component instanceof ProportioningValve
                || component instanceof MeteringValve
                || component instanceof QuickConnector
                || component instanceof Junction;
    }

    /** A hub stands beside the middle of the ends behind it, in the column of its distance from the master. */
    private static Hub placed(Component hub, Layout layout, List<PlacedEnd> ends) {
        List<String> behind = new ArrayList<>();
        collectEnds(layout, hub.id(), behind);
        double middle = ends.stream()
                .filter(e -> behind.contains(e.id()))
                .mapToDouble(e -> e.at().y())
                .average()
                .orElse(0);
        double y = hub instanceof Modulator ? MODULATOR_Y : Math.max(HIGHEST_HUB_Y, Math.min(LOWEST_HUB_Y, middle));
        Point at = new Point(HUB_X[Math.min(hubsBefore(layout, hub.id()), HUB_X.length - 1)], y);
        if (hub instanceof Modulator) {
            return new Hub(hub.id(), at, 92, 72);
        }
        if (hub instanceof QuickConnector) {
            return new Hub(hub.id(), at, 34, 30);
        }
        return hub instanceof Junction ? new Hub(hub.id(), at, 14, 14) : new Hub(hub.id(), at, 54, 36);
    }

    private static void collectEnds(Layout layout, String componentId, List<String> found) {
        for (Joint joint : layout.leaving(componentId)) {
            if (layout.component(joint.to()) instanceof End) {
                found.add(joint.to());
            } else {
                collectEnds(layout, joint.to(), found);
            }
        }
    }

    private static int hubsBefore(Layout layout, String componentId) {
        int count = 0;
        String at = componentId;
        while (!(layout.component(at) instanceof Master)) {
            String here = at;
            at = layout.joints().stream()
                    .filter(j -> j.to().equals(here))
                    .findFirst()
                    .orElseThrow()
                    .from();
            count += isHub(layout.component(at)) ? 1 : 0;
        }
        return count;
    }
}
