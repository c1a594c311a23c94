package overturn.suspect;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.random.RandomGenerator;
import overturn.circuit.Chamber;
import overturn.circuit.Component;
import overturn.circuit.Component.DrumEnd;
import overturn.circuit.Component.End;
import overturn.circuit.Component.Hose;
import overturn.circuit.Layout;
import overturn.suspect.Fault.ByPass;
import overturn.suspect.Fault.Cup;
import overturn.suspect.Fault.ExcessShoeClearance;
import overturn.suspect.Fault.HiddenWeep;
import overturn.suspect.Fault.HoseSwelling;
import overturn.suspect.Fault.LowSupply;
import overturn.suspect.Fault.OutwardLeak;
import overturn.suspect.Fault.ReleaseValvePassing;
import overturn.suspect.Fault.RodGap;
import overturn.suspect.Fault.TrappedAir;

/**
 * All suspects of a layout, each with its physics, severity, remedy and frequency in one place. Severities: handbook 09 C, drawn
 * where the complaint is felt; frequencies: handbook 09 D, vacuum family; splits within a group are estimates.
 */
public final class SuspectCatalogue {

    /** Id of the hypothesis that the vehicle is sound. */
    public static final String NOTHING_WRONG = "nothing-wrong";

    private static final Severity BY_PASS_ML_PER_MIN = Severity.of(3.5, 2.2, 0.5, 60);
    private static final Severity OUTWARD_ML_PER_MIN = Severity.of(0.8, 2.5, 0.05, 20);
    private static final Severity HIDDEN_WEEP_ML_PER_DAY = Severity.of(3, 2.2, 0.3, 20);
    private static final Severity BRAKE_AIR_ML = Severity.of(2.2, 1.8, 0.5, 10);
    private static final Severity RELEASE_VALVE_ML_PER_MIN = Severity.of(4, 2, 0.8, 40);
    private static final Severity HOSE_FACTOR = Severity.of(8, 1.5, 3, 18);
    private static final Severity SHOE_EXTRA_MM = Severity.of(1.4, 1.5, 0.5, 4);
    private static final Severity ROD_GAP_MM = Severity.of(3, 1.5, 1.2, 8);
    private static final Severity SUPPLY_LOST_SHARE = Severity.of(0.55, 1.3, 0.25, 0.97);

    private SuspectCatalogue() {
    }

    /** The suspects of this layout, nothing wrong first; order is stable. */
    public static List<Suspect> of(Layout layout) {
        List<Suspect> all = new ArrayList<>();
        all.add(new Suspect(NOTHING_WRONG, List.of(), Remedy.HAND_BACK, 8, (q, l, r) -> List.of()));
        all.add(cup("primary-piston-cup", Cup.PRIMARY_PISTON, 3));
        all.add(cup("second-piston-rear-cup", Cup.SECOND_PISTON_REAR, 1.2));
        all.add(cup("second-piston-front-cup", Cup.SECOND_PISTON_FRONT, 1.8));
        all.add(new Suspect("rear-seal-weeping", List.of("master"), Remedy.RENEW_MASTER, 3,
                (q, l, r) -> List.of(new HiddenWeep(HIDDEN_WEEP_ML_PER_DAY.at(q)))));
        all.add(new Suspect("air-in-master", List.of("master"), Remedy.BLEED_MASTER, 3, (q, l, r) ->
                List.of(new TrappedAir("master", r.nextBoolean() ? Chamber.PRIMARY : Chamber.SECONDARY, BRAKE_AIR_ML.at(q)))));
        all.add(new Suspect("air-in-rear-end", List.copyOf(drums(layout)), Remedy.BLEED_REAR, 6, (q, l, r) ->
                List.of(new TrappedAir(anyOf(drums(l), r), Chamber.SECONDARY, BRAKE_AIR_ML.at(q)))));
        all.add(new Suspect("air-in-modulator", List.of("modulator"), Remedy.BLEED_MODULATOR, 3, (q, l, r) ->
                List.of(new TrappedAir("modulator", anyChamber(r), BRAKE_AIR_ML.at(q)))));
        all.add(new Suspect("release-valve-passing", List.of("modulator"), Remedy.RENEW_MODULATOR, 0.5, (q, l, r) ->
                List.of(new ReleaseValvePassing(anyChamber(r), RELEASE_VALVE_ML_PER_MIN.at(q), 40 + 200 * r.nextDouble()))));
        all.add(new Suspect("weeping-joint", ends(layout).stream().map(Component::id).toList(), Remedy.MAKE_JOINT_DRY, 12, SuspectCatalogue::weepingJoint));
        all.add(new Suspect("swelling-hoses", List.copyOf(ids(layout.all(Hose.class))), Remedy.RENEW_HOSES, 1.5, (q, l, r) ->
                List.of(new HoseSwelling(ids(l.all(Hose.class)), HOSE_FACTOR.at(q)))));
        all.add(new Suspect("excess-shoe-clearance", List.copyOf(drums(layout)), Remedy.ADJUST_SHOES, 10, (q, l, r) ->
                List.of(new ExcessShoeClearance(drums(l), SHOE_EXTRA_MM.at(q)))));
        all.add(new Suspect("rod-gap-too-large", List.of("pedal"), Remedy.SET_ROD, 1.5,
                (q, l, r) -> List.of(new RodGap(ROD_GAP_MM.at(q)))));
        all.add(new Suspect("low-assist-supply", List.of("assist"), Remedy.RESTORE_SUPPLY, 8,
                (q, l, r) -> List.of(new LowSupply(1 - SUPPLY_LOST_SHARE.at(q)))));
        return List.copyOf(all);
    }

    private static Suspect cup(String id, Cup cup, double frequency) {
        return new Suspect(id, List.of("master"), Remedy.RENEW_MASTER, frequency, (q, l, r) -> {
            double zoneFromMm = r.nextDouble() < 0.7 ? 0 : 1 + 3 * r.nextDouble();
            double zoneLengthMm = 6 + 14 * r.nextDouble();
            double lipExponent = -0.4 + 0.9 * r.nextDouble();
            return List.of(new ByPass(cup, BY_PASS_ML_PER_MIN.at(q), lipExponent, zoneFromMm, zoneFromMm + zoneLengthMm));
        });
    }

    private static List<Fault> weepingJoint(double quantile, Layout layout, RandomGenerator nuisance) {
        List<Component> ends = ends(layout);
        Component end = ends.get(nuisance.nextInt(ends.size()));
        Chamber chamber = end instanceof DrumEnd ? Chamber.SECONDARY : Chamber.PRIMARY;
        double opensAtBar = nuisance.nextDouble() < 0.6 ? 0 : 30 + 30 * nuisance.nextDouble();
        return List.of(new OutwardLeak(end.id(), chamber, OUTWARD_ML_PER_MIN.at(quantile), opensAtBar));
    }

    private static Chamber anyChamber(RandomGenerator nuisance) {
        return nuisance.nextBoolean() ? Chamber.PRIMARY : Chamber.SECONDARY;
    }

    private static List<Component> ends(Layout layout) {
        return layout.components().stream().filter(End.class::isInstance).toList();
    }

    private static Set<String> drums(Layout layout) {
        return ids(layout.all(DrumEnd.class));
    }

    private static Set<String> ids(List<? extends Component> components) {
        Set<String> ids = new LinkedHashSet<>();
        components.forEach(component -> ids.add(component.id()));
        return ids;
    }

    private static String anyOf(Set<String> ids, RandomGenerator nuisance) {
        return List.copyOf(new TreeSet<>(ids)).get(nuisance.nextInt(ids.size()));
    }
}
