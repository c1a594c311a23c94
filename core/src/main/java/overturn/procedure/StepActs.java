package overturn.procedure;

import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.Properties;
import java.util.Set;
import java.util.stream.Stream;
import overturn.circuit.Assist;
import overturn.circuit.Chamber;
import overturn.circuit.Component;
import overturn.circuit.End;
import overturn.circuit.Joint;
import overturn.circuit.Layout;

/**
 * What is done in each step of a test and where on the circuit, read from {@code acts.properties}: the drawing of a
 * step follows these.
 */
public final class StepActs {

    private static final String FILE = "/overturn/procedure/acts.properties";
    private static final String SHARED = "any";
    private static final Properties ACTS = read();

    private StepActs() {}

    /**
     * One step's act.
     *
     * @param places components that the hands, the foot or the eyes are at; never empty
     * @param joints joints that are plugged, cracked or followed, where it is joints
     */
    public record StepAct(Gesture gesture, List<String> places, List<String> joints) {}

    /** @throws IllegalArgumentException where nobody wrote down what is done in this step */
    public static StepAct of(Procedure procedure, Step step, Layout layout) {
        String written = Optional.ofNullable(ACTS.getProperty(procedure.wordId() + "." + step.id()))
                .or(() -> Optional.ofNullable(ACTS.getProperty(SHARED + "." + step.id())))
                .orElseThrow(() -> new IllegalArgumentException("No act for " + procedure.id() + "." + step.id()));
        String[] parts = written.trim().split(" ");
        List<String> joints = joints(parts[1], procedure, layout);
        List<String> places = joints.isEmpty()
                ? places(parts[1], step, layout)
                : joints.stream().map(id -> layout.joint(id).to()).distinct().toList();
        return new StepAct(Gesture.of(parts[0]), places.isEmpty() ? List.of(input(layout)) : places, joints);
    }

    private static List<String> joints(String where, Procedure procedure, Layout layout) {
        return switch (where) {
            case "ports" -> ids(layout.ports().stream());
            case "far-port" -> ids(layout.ports().stream().filter(j -> j.chamber() == far(layout)));
            case "drum-ports" -> ids(layout.ports().stream().filter(j -> feedsDrum(layout, j.chamber())));
            case "outlets" ->
                ids(layout.joints().stream().filter(j -> layout.component(j.from()) instanceof Component.Modulator));
            case "cut" ->
                ids(layout.joints().stream().filter(j -> closed(procedure).contains(j.id())));
            default -> List.of();
        };
    }

    private static Chamber far(Layout layout) {
        return layout.master().tandem() ? Chamber.SECONDARY : Chamber.PRIMARY;
    }

    private static boolean feedsDrum(Layout layout, Chamber chamber) {
        return layout.all(End.DrumEnd.class).stream().anyMatch(drum -> layout.chamberOf(drum.id()) == chamber);
    }

    private static Set<String> closed(Procedure procedure) {
        return procedure.protocol().cuts().closed();
    }

    private static List<String> ids(Stream<Joint> joints) {
        return joints.map(Joint::id).toList();
    }

    private static List<String> places(String where, Step step, Layout layout) {
        return switch (where) {
            case "step" -> step.place().stream().toList();
            case "input", "vehicle" -> List.of(input(layout));
            case "assist" -> kinds(layout, Assist.class);
            case "master" -> kinds(layout, Component.Master.class);
            case "reservoir" -> kinds(layout, Component.Reservoir.class);
            case "modulator" -> kinds(layout, Component.Modulator.class);
            case "hoses" -> kinds(layout, Component.Hose.class);
            case "pipes", "joints" -> kinds(layout, Component.Pipe.class);
            case "connector" -> kinds(layout, Component.QuickConnector.class);
            case "slave" -> kinds(layout, End.Slave.class);
            case "drums" -> kinds(layout, End.DrumEnd.class);
            case "ends" -> kinds(layout, End.class);
            case "one-end" -> kinds(layout, End.class).subList(0, 1);
            case "wheels" -> wheels(layout, true, true);
            case "front-ends" -> wheels(layout, true, false);
            case "rear-ends" -> wheels(layout, false, true);
            case "primary-ends" -> fedBy(layout, Chamber.PRIMARY);
            case "secondary-ends" -> fedBy(layout, Chamber.SECONDARY);
            case "loop" ->
                layout.all(Component.Pipe.class).stream()
                        .filter(Component.Pipe::highLoop)
                        .map(Component::id)
                        .toList();
            default -> throw new IllegalArgumentException("No such place: " + where);
        };
    }

    private static String input(Layout layout) {
        return layout.input().id();
    }

    private static List<String> kinds(Layout layout, Class<? extends Component> kind) {
        return layout.all(kind).stream().map(Component::id).toList();
    }

    private static List<String> wheels(Layout layout, boolean front, boolean rear) {
        return layout.ends().stream()
                .filter(end -> !(end instanceof End.Slave) && (end.rear() ? rear : front))
                .map(End::id)
                .toList();
    }

    private static List<String> fedBy(Layout layout, Chamber chamber) {
        return layout.joints().stream()
                .filter(j -> j.chamber() == chamber && layout.component(j.to()) instanceof End)
                .map(Joint::to)
                .toList();
    }

    private static Properties read() {
        Properties acts = new Properties();
        try (var in = new InputStreamReader(StepActs.class.getResourceAsStream(FILE), StandardCharsets.UTF_8)) {
            acts.load(in);
        } catch (IOException e) {
            throw new UncheckedIOException("Impossible: " + FILE + " cannot be read", e);
        }
        return acts;
    }

    /** Every line that is written down, for a test that none is left over. */
    static Set<String> written() {
        return ACTS.stringPropertyNames();
    }
}
