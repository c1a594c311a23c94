package overturn.suspect;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.random.RandomGenerator;
import org.jspecify.annotations.Nullable;
import overturn.circuit.Chamber;
import overturn.circuit.Component;
import overturn.circuit.Layout;
import overturn.suspect.Suspect.Origin;

/** Collects the suspects of one layout; leaves out what its family or its parts do not have. */
final class SuspectList {

    private final Layout layout;
    private final List<Suspect> all = new ArrayList<>();

    SuspectList(Layout layout) {
        this.layout = layout;
    }

    Layout layout() {
        return layout;
    }

    List<Suspect> all() {
        return List.copyOf(all);
    }

    /** Begins a suspect; {@link Draft#faults} adds it. */
    Draft suspect(String id) {
        return new Draft(id);
    }

    /** A suspect as it is being written down; neither wear, air nor setting where nothing is said. */
    final class Draft {

        private final String id;
        private List<String> places = List.of();
        private @Nullable Remedy remedy;
        private Origin origin = Origin.NEITHER;
        private Frequency frequency = Frequency.NONE;

        private Draft(String id) {
            this.id = id;
        }

        /** Components at which it can sit; none where this layout has no place for it. */
        Draft at(List<String> componentIds) {
            places = componentIds;
            return this;
        }

        Draft curedBy(Remedy cure) {
            remedy = cure;
            return this;
        }

        /** Recent work makes it rarer. */
        Draft fromWear() {
            origin = Origin.WEAR;
            return this;
        }

        /** Recent work leaves it behind. */
        Draft fromAir() {
            origin = Origin.AIR;
            return this;
        }

        /** Recent work brings it: a part or a setting that is not right. */
        Draft fromSetting() {
            origin = Origin.SETTING;
            return this;
        }

        Draft frequency(Frequency percent) {
            frequency = percent;
            return this;
        }

        /** Says what it does, and adds it unless its family never has it or there is no place for it. */
        void faults(Suspect.Physics physics) {
            Remedy cure = Objects.requireNonNull(remedy, () -> id + " is cured by nothing");
            double share = frequency.in(layout.family());
            if (share > 0 && !places.isEmpty()) {
                all.add(new Suspect(id, places, cure, share, origin, physics));
            }
        }
    }

    void nothingWrong(String id, Frequency frequency) {
        all.add(new Suspect(
                id,
                List.of(),
                Remedy.HAND_BACK,
                frequency.in(layout.family()),
                Origin.NEITHER,
                (q, l, r) -> List.of()));
    }

    List<String> master() {
        return List.of(layout.master().id());
    }

    List<String> input() {
        return List.of(layout.input().id());
    }

    List<String> assist() {
        return ids(layout.assist().stream().toList());
    }

    List<String> modulator() {
        return ids(layout.modulator().stream().toList());
    }

    <T extends Component> List<String> of(Class<T> kind) {
        return ids(layout.all(kind));
    }

    static List<String> ids(List<? extends Component> components) {
        Set<String> ids = new LinkedHashSet<>();
        components.forEach(component -> ids.add(component.id()));
        return List.copyOf(ids);
    }

    static String anyOf(List<String> ids, RandomGenerator nuisance) {
        return ids.get(nuisance.nextInt(ids.size()));
    }

    Chamber anyChamber(RandomGenerator nuisance) {
        return layout.chambers().get(nuisance.nextInt(layout.chambers().size()));
    }

    /** The chamber that feeds a component. */
    Chamber chamberOf(String componentId) {
        return layout.chamberOf(componentId);
    }

    /** A random value between two limits. */
    static double between(RandomGenerator nuisance, double low, double high) {
        return low + (high - low) * nuisance.nextDouble();
    }
}
