package overturn.app.api.catalogue;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import overturn.app.api.job.TestView;
import overturn.app.usecase.job.OpenJob;
import overturn.app.usecase.layout.LayoutSheets.Sheet;
import overturn.app.workshop.Staff.Person;
import overturn.bleeding.Schools;
import overturn.catalogue.BlindSpots;
import overturn.circuit.Assist;
import overturn.circuit.Chamber;
import overturn.circuit.Component;
import overturn.circuit.End;
import overturn.circuit.Input;
import overturn.circuit.Joint;
import overturn.circuit.Layout;
import overturn.drawing.CircuitSheet;
import overturn.layoutfile.LayoutFile;
import overturn.layoutfile.Presets;
import overturn.measurement.ReadingSpec.Observation;
import overturn.procedure.Procedure;
import overturn.procedure.VehicleWords;
import overturn.quantity.Dimension;
import overturn.quantity.MeasureUnit;
import overturn.repair.School;
import overturn.verdict.Standing;
import overturn.words.Words;

/**
 * What the program knows before any job: people, layouts with their suspects and tests, units, cautions, ways to bleed
 * and to work, and the share below which a suspect or a part counts as cleared.
 */
public record CatalogueView(
        List<PersonView> staff,
        List<LayoutView> layouts,
        List<UnitView> units,
        List<String> cautions,
        List<BlindSpotView> blindSpots,
        List<BleedMethodView> bleedMethods,
        List<String> bleedOrders,
        List<SchoolView> schools,
        double clearedBelow) {

    private static final String CAUTION = "caution.";

    public static CatalogueView of(List<Person> staff, List<LayoutView> layouts) {
        return new CatalogueView(
                staff.stream()
                        .map(p -> new PersonView(p.id(), p.name(), p.role()))
                        .toList(),
                layouts,
                Arrays.stream(MeasureUnit.values()).map(UnitView::of).toList(),
                Words.all().keySet().stream()
                        .filter(word -> word.startsWith(CAUTION))
                        .map(word -> word.substring(CAUTION.length()))
                        .toList(),
                BlindSpots.all().stream()
                        .map(spot -> new BlindSpotView(spot.testId(), spot.suspectId(), spot.when()))
                        .toList(),
                Arrays.stream(Schools.Method.values())
                        .map(m -> new BleedMethodView(m.id(), m.withoutPedal(), m.cautionId()))
                        .toList(),
                Arrays.stream(Schools.Order.values()).map(Schools.Order::id).toList(),
                Arrays.stream(School.values())
                        .map(school -> new SchoolView(school.id(), school.ways()))
                        .toList(),
                Standing.CLEARED_SHARE);
    }

    /** A suspect of which a test says nothing, always or while it is slight. */
    public record BlindSpotView(String testId, String suspectId, BlindSpots.When when) {}

    /** A method of bleeding; without a pedal a stroke is a portion let out. */
    public record BleedMethodView(String id, boolean withoutPedal, Optional<String> cautionId) {}

    /** Where good practitioners differ, and their ways; the usual one first. */
    public record SchoolView(String id, List<String> ways) {}

    /** Someone whose name can stand on an entry. */
    public record PersonView(String id, String name, String role) {}

    /**
     * A unit that may be typed; {@code coreUnitsPerUnit} and {@code zeroInCore} convert to the core's unit of that
     * dimension.
     */
    public record UnitView(
            String symbol, Dimension dimension, double coreUnitsPerUnit, double zeroInCore, boolean core) {

        public static UnitView of(MeasureUnit unit) {
            return new UnitView(
                    unit.symbol(),
                    unit.dimension(),
                    unit.toCore(1) - unit.toCore(0),
                    unit.toCore(0),
                    unit.dimension().coreUnit() == unit);
        }
    }

    /**
     * A layout: its circuit and where its parts stand on the sheet, its suspects and tests, and for which kinds of
     * vehicle words may be written that are said of it; a withdrawn one is offered to no new job.
     */
    public record LayoutView(
            String id,
            String name,
            Optional<String> about,
            boolean preset,
            boolean withdrawn,
            Optional<String> startedFrom,
            String family,
            List<String> kinds,
            List<ComponentView> components,
            List<JointView> joints,
            CircuitSheet sheet,
            List<SuspectView> suspects,
            List<String> behaviours,
            List<String> facts,
            List<String> workAreas,
            List<String> tests,
            List<TestLine> testLines) {

        public static LayoutView of(Sheet sheet, boolean withdrawn) {
            LayoutFile file = sheet.file();
            Layout layout = sheet.layout();
            Observation characterise = (Observation) sheet.procedures().intake().spec();
            return new LayoutView(
                    file.id(),
                    file.name(),
                    file.about(),
                    Presets.find(file.id()).isPresent(),
                    withdrawn,
                    file.startedFrom(),
                    layout.family().id(),
                    VehicleWords.kinds(layout),
                    layout.components().stream().map(ComponentView::of).toList(),
                    layout.joints().stream().map(j -> JointView.of(j, layout)).toList(),
                    CircuitSheet.of(layout),
                    sheet.suspects().stream()
                            .map(s -> new SuspectView(s.id(), s.remedy().id(), s.places(), s.frequency()))
                            .toList(),
                    characterise.options(),
                    OpenJob.facts(layout),
                    OpenJob.areas(layout),
                    sheet.procedures().all().stream().map(Procedure::id).toList(),
                    sheet.procedures().all().stream().map(TestLine::of).toList());
        }
    }

    /** A test of a layout: minutes as estimated, and where the vehicle has to stand for it. */
    public record TestLine(String id, double minutes, TestView.NeedsView needs) {

        static TestLine of(Procedure test) {
            return new TestLine(test.id(), test.minutes(), TestView.NeedsView.of(test.needs()));
        }
    }

    /** The kind of a component, for drawing it. */
    public enum ComponentKind {
        PEDAL,
        LEVER,
        VACUUM_ASSIST,
        HYDRAULIC_ASSIST,
        MASTER,
        RESERVOIR,
        PIPE,
        MODULATOR,
        PROPORTIONING_VALVE,
        METERING_VALVE,
        JUNCTION,
        CONNECTOR,
        HOSE,
        DISC,
        DRUM,
        SLAVE
    }

    /** A component and the figure written beside it. */
    public record ComponentView(String id, ComponentKind kind, Optional<Double> ratio, Optional<Double> boreMm) {

        public static ComponentView of(Component component) {
            Optional<Double> ratio =
                    component instanceof Input input ? Optional.of(input.ratioAtRest()) : Optional.empty();
            Optional<Component.Master> master =
                    component instanceof Component.Master m ? Optional.of(m) : Optional.empty();
            return new ComponentView(component.id(), kind(component), ratio, master.map(Component.Master::boreMm));
        }

        private static ComponentKind kind(Component component) {
            if (component instanceof Input || component instanceof Assist || component instanceof End) {
                return kindOfEdge(component);
            }
            if (component instanceof Component.Master) {
                return ComponentKind.MASTER;
            } else if (component instanceof Component.Reservoir) {
                return ComponentKind.RESERVOIR;
            } else if (component instanceof Component.Pipe) {
                return ComponentKind.PIPE;
            } else if (component instanceof Component.Modulator) {
                return ComponentKind.MODULATOR;
            } else if (component instanceof Component.Hose) {
                return ComponentKind.HOSE;
            } else if (component instanceof Component.ProportioningValve) {
                return ComponentKind.PROPORTIONING_VALVE;
            } else if (component instanceof Component.MeteringValve) {
                return ComponentKind.METERING_VALVE;
            }
            return component instanceof Component.Junction ? ComponentKind.JUNCTION : ComponentKind.CONNECTOR;
        }

        private static ComponentKind kindOfEdge(Component component) {
            if (component instanceof Input) {
                return component instanceof Input.Lever ? ComponentKind.LEVER : ComponentKind.PEDAL;
            } else if (component instanceof Assist) {
                return component instanceof Assist.VacuumAssist
                        ? ComponentKind.VACUUM_ASSIST
                        : ComponentKind.HYDRAULIC_ASSIST;
            }
            return component instanceof End.DiscEnd
                    ? ComponentKind.DISC
                    : component instanceof End.DrumEnd ? ComponentKind.DRUM : ComponentKind.SLAVE;
        }
    }

    /** A joint between two components. */
    public record JointView(String id, String from, String to, Chamber chamber, boolean clampable) {

        public static JointView of(Joint joint, Layout layout) {
            return new JointView(joint.id(), joint.from(), joint.to(), joint.chamber(), layout.canClamp(joint));
        }
    }

    /**
     * A suspect, the components at which it can sit; {@code frequency} is per cent of the family's complaints before
     * evidence.
     */
    public record SuspectView(String id, String remedyId, List<String> places, double frequency) {}
}
