package overturn.app.api;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import overturn.app.job.Staff.Person;
import overturn.circuit.Chamber;
import overturn.circuit.Component;
import overturn.circuit.Joint;
import overturn.circuit.Layout;
import overturn.inference.LayoutModel;
import overturn.measurement.ReadingSpec.Observation;
import overturn.procedure.Procedure;
import overturn.procedure.ProcedureCatalogue;
import overturn.quantity.Dimension;
import overturn.quantity.MeasureUnit;

/** What the program knows before any job: people, layouts with their suspects and tests, units. */
public record CatalogueView(List<PersonView> staff, List<LayoutView> layouts, List<UnitView> units) {

    static CatalogueView of(List<Person> staff, List<LayoutModel> models) {
        return new CatalogueView(staff.stream().map(p -> new PersonView(p.id(), p.name(), p.role())).toList(),
                models.stream().map(LayoutView::of).toList(), Arrays.stream(MeasureUnit.values()).map(UnitView::of).toList());
    }

    /** Someone whose name can stand on an entry. */
    public record PersonView(String id, String name, String role) {
    }

    /** A unit that may be typed; {@code coreUnitsPerUnit} converts to the core's unit of that dimension. */
    public record UnitView(String symbol, Dimension dimension, double coreUnitsPerUnit, boolean core) {

        static UnitView of(MeasureUnit unit) {
            return new UnitView(unit.symbol(), unit.dimension(), unit.toCore(1), unit.dimension().coreUnit() == unit);
        }
    }

    /** A layout: its circuit for the drawing, its suspects and tests. */
    public record LayoutView(String id, String family, List<ComponentView> components, List<JointView> joints,
                             List<SuspectView> suspects, List<String> behaviours, List<String> tests) {

        static LayoutView of(LayoutModel model) {
            Layout layout = model.layout();
            Observation characterise = (Observation) model.procedures().find(ProcedureCatalogue.CHARACTERISE).orElseThrow().spec();
            return new LayoutView(layout.id(), layout.family().name().toLowerCase(Locale.ROOT).replace('_', '-'),
                    layout.components().stream().map(ComponentView::of).toList(),
                    layout.joints().stream().map(JointView::of).toList(),
                    model.suspects().stream().map(s -> new SuspectView(s.id(), s.remedy().id(), s.places(), s.frequency())).toList(),
                    characterise.options(), model.procedures().all().stream().map(Procedure::id).toList());
        }
    }

    /** The kind of a component, for drawing it. */
    public enum ComponentKind { PEDAL, ASSIST, MASTER, RESERVOIR, PIPE, MODULATOR, HOSE, DISC, DRUM }

    /** A component and the figure written beside it. */
    public record ComponentView(String id, ComponentKind kind, Optional<Double> ratio, Optional<Double> boreMm) {

        static ComponentView of(Component component) {
            if (component instanceof Component.Pedal pedal) {
                return new ComponentView(pedal.id(), ComponentKind.PEDAL, Optional.of(pedal.ratio()), Optional.empty());
            }
            if (component instanceof Component.TandemMaster master) {
                return new ComponentView(master.id(), ComponentKind.MASTER, Optional.empty(), Optional.of(master.boreMm()));
            }
            return new ComponentView(component.id(), kind(component), Optional.empty(), Optional.empty());
        }

        private static ComponentKind kind(Component component) {
            if (component instanceof Component.VacuumAssist) {
                return ComponentKind.ASSIST;
            } else if (component instanceof Component.Reservoir) {
                return ComponentKind.RESERVOIR;
            } else if (component instanceof Component.Pipe) {
                return ComponentKind.PIPE;
            } else if (component instanceof Component.Modulator) {
                return ComponentKind.MODULATOR;
            } else if (component instanceof Component.Hose) {
                return ComponentKind.HOSE;
            }
            return component instanceof Component.DiscEnd ? ComponentKind.DISC : ComponentKind.DRUM;
        }
    }

    /** A joint between two components. */
    public record JointView(String id, String from, String to, Chamber chamber) {

        static JointView of(Joint joint) {
            return new JointView(joint.id(), joint.from(), joint.to(), joint.chamber());
        }
    }

    /** A suspect, the components at which it can sit; {@code frequency} is per cent of the family's complaints before evidence. */
    public record SuspectView(String id, String remedyId, List<String> places, double frequency) {
    }
}
