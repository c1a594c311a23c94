package overturn.suspect;

import static overturn.suspect.SuspectList.anyOf;
import static overturn.suspect.SuspectList.between;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import overturn.circuit.Component;
import overturn.circuit.End;
import overturn.circuit.End.DiscEnd;
import overturn.circuit.End.DrumEnd;
import overturn.circuit.End.Slave;
import overturn.suspect.Fault.Binds;
import overturn.suspect.Fault.MechanicalDrag;

/** What can fail at calipers and drums. */
final class EndSuspects {

    private static final Severity SMALL_AIR_ML =
            Severity.median(0.8).spread(1.8).within(0.15, 3);
    private static final Severity DRAG_NM = Severity.median(16).spread(1.8).within(6, 80);
    private static final Severity SHOE_EXTRA_MM =
            Severity.median(1.4).spread(1.5).within(0.5, 4);
    private static final Severity PUSHED_BACK_MM =
            Severity.median(0.35).spread(1.5).within(0.15, 1);
    private static final Severity SIZE_STEP = Severity.median(0.3).spread(1.3).within(0.15, 0.6);
    private static final Severity LINING_SHARE =
            Severity.median(0.5).spread(1.3).within(0.25, 0.9);

    private EndSuspects() {}

    static void addTo(SuspectList list) {
        boolean small = list.layout().family().lever();
        List<String> brakes = ends(list, e -> !(e instanceof Slave));
        List<String> discs = ends(list, DiscEnd.class::isInstance);
        List<String> drums = ends(list, DrumEnd.class::isInstance);
        air(
                list,
                "air-in-front-end",
                ends(list, e -> !(e instanceof Slave) && !rear(e)),
                Remedy.BLEED_FRONT,
                Frequency.NONE
                        .vacuumBrake(3)
                        .unassistedBrake(5)
                        .hydraulicBrake(5)
                        .leverBrake(14),
                small);
        air(
                list,
                "air-in-rear-end",
                ends(list, EndSuspects::rear),
                Remedy.BLEED_REAR,
                Frequency.NONE.vacuumBrake(6).unassistedBrake(7).hydraulicBrake(4),
                small);
        LineSuspects.outward(
                list,
                "end-seal-weeping",
                brakes,
                Remedy.RESEAL_END,
                Frequency.NONE
                        .vacuumBrake(6)
                        .unassistedBrake(12)
                        .hydraulicBrake(4)
                        .leverBrake(4));
        drag(
                list,
                "piston-seized",
                brakes,
                Remedy.RENEW_END,
                Frequency.NONE
                        .vacuumBrake(8)
                        .unassistedBrake(8)
                        .hydraulicBrake(10)
                        .leverBrake(14),
                Binds.PISTON,
                0.5);
        drag(
                list,
                "seal-groove-corroded",
                discs,
                Remedy.RENEW_END,
                Frequency.NONE
                        .vacuumBrake(3)
                        .unassistedBrake(2)
                        .hydraulicBrake(6)
                        .leverBrake(4),
                Binds.SEAL_GROOVE,
                0);
        drag(
                list,
                "slides-seized",
                discs,
                Remedy.FREE_SLIDES,
                Frequency.NONE
                        .vacuumBrake(11)
                        .unassistedBrake(3)
                        .hydraulicBrake(15)
                        .leverBrake(12),
                Binds.SLIDES,
                0.4);
        drag(
                list,
                "parking-brake-holding",
                ends(list, e -> e instanceof DrumEnd d && d.parkingBrake()),
                Remedy.FREE_PARKING_BRAKE,
                Frequency.NONE.vacuumBrake(3).unassistedBrake(2),
                Binds.PARKING_BRAKE,
                0);
        drag(
                list,
                "shoes-too-tight",
                drums,
                Remedy.ADJUST_SHOES,
                Frequency.NONE.vacuumBrake(1.5).unassistedBrake(3),
                Binds.SHOES_TIGHT,
                0);
        list.suspect("pad-pushed-back")
                .at(discs)
                .curedBy(Remedy.MEND_RUNOUT)
                .fromWear()
                .frequency(Frequency.NONE
                        .vacuumBrake(4)
                        .unassistedBrake(1)
                        .hydraulicBrake(3)
                        .leverBrake(8))
                .faults((q, l, r) -> {
                    String one = anyOf(discs, r);
                    return List.of(
                            new Fault.PadPushedBack(Set.of(one), PUSHED_BACK_MM.at(q) * (discs.size() > 1 ? 1.6 : 1)));
                });
        list.suspect("excess-shoe-clearance")
                .at(drums)
                .curedBy(Remedy.ADJUST_SHOES)
                .fromWear()
                .frequency(Frequency.NONE.vacuumBrake(10).unassistedBrake(25))
                .faults((q, l, r) -> List.of(new Fault.ExcessShoeClearance(Set.copyOf(drums), SHOE_EXTRA_MM.at(q))));
        list.suspect("wrong-piston")
                .at(brakes.size() > 1 ? brakes : List.of())
                .curedBy(Remedy.FIT_MATCHING_END)
                .fromSetting()
                .frequency(Frequency.NONE.vacuumBrake(0.2).unassistedBrake(3).hydraulicBrake(0.2))
                .faults((q, l, r) -> List.of(new Fault.WrongPiston(
                        anyOf(brakes, r), r.nextBoolean() ? 1 + SIZE_STEP.at(q) : 1 / (1 + SIZE_STEP.at(q)))));
        axleOfWrongSize(list);
        screwsBelow(list);
        list.suspect("linings-bad")
                .at(brakes)
                .curedBy(Remedy.RENEW_LININGS)
                .fromWear()
                .frequency(Frequency.NONE
                        .vacuumBrake(2)
                        .unassistedBrake(4)
                        .hydraulicBrake(2)
                        .leverBrake(4))
                .faults((q, l, r) -> List.of(new Fault.LiningsBad(anyOf(brakes, r), LINING_SHARE.at(q))));
    }

    /** Both ends of an axle of another size than the maker's: they match one another, and the balance is off. */
    private static void axleOfWrongSize(SuspectList list) {
        List<End> paired = paired(list);
        boolean bothAxles = paired.stream().map(End::rear).distinct().count() > 1;
        list.suspect("axle-wrong-size")
                .at(bothAxles ? SuspectList.ids(paired) : List.of())
                .curedBy(Remedy.FIT_MATCHING_END)
                .fromSetting()
                .frequency(Frequency.NONE.vacuumBrake(0.1).unassistedBrake(1).hydraulicBrake(0.1))
                .faults((q, l, r) -> {
                    double factor = r.nextBoolean() ? 1 + SIZE_STEP.at(q) : 1 / (1 + SIZE_STEP.at(q));
                    return sameAxle(list, paired.get(r.nextInt(paired.size()))).stream()
                            .<Fault>map(end -> new Fault.WrongPiston(end, factor))
                            .toList();
                });
    }

    private static List<End> paired(SuspectList list) {
        return list.layout().ends().stream()
                .filter(e -> !(e instanceof Slave) && list.layout().across(e).isPresent())
                .toList();
    }

    /**
     * Calipers or wheel cylinders of an axle changed over side to side, or fitted upside down: each keeps a pocket
     * above its screw, however long it is bled.
     */
    private static void screwsBelow(SuspectList list) {
        List<End> paired = paired(list);
        list.suspect("screws-below")
                .at(SuspectList.ids(paired))
                .curedBy(Remedy.SWAP_ENDS)
                .fromSetting()
                .frequency(Frequency.NONE.vacuumBrake(0.4).unassistedBrake(0.4).hydraulicBrake(0.4))
                .faults((q, l, r) -> {
                    List<String> axle = sameAxle(list, paired.get(r.nextInt(paired.size())));
                    List<Fault> faults = new ArrayList<>();
                    faults.add(new Fault.ScrewBelow(Set.copyOf(axle)));
                    axle.forEach(end -> faults.add(new Fault.TrappedAir(
                            end, list.chamberOf(end), AirSeverity.BRAKE_ML.at(q) / Math.sqrt(axle.size()))));
                    return faults;
                });
    }

    private static List<String> sameAxle(SuspectList list, End one) {
        return ends(list, e -> e.getClass() == one.getClass() && e.rear() == one.rear());
    }

    private static boolean rear(Component end) {
        return end instanceof End own && own.rear();
    }

    private static List<String> ends(SuspectList list, Predicate<End> which) {
        return SuspectList.ids(list.layout().ends().stream().filter(which).toList());
    }

    private static void air(
            SuspectList list, String id, List<String> places, Remedy remedy, Frequency frequency, boolean small) {
        list.suspect(id)
                .at(places)
                .curedBy(remedy)
                .fromAir()
                .frequency(frequency)
                .faults((q, l, r) -> {
                    String end = anyOf(places, r);
                    return List.of(new Fault.TrappedAir(
                            end, list.chamberOf(end), small ? SMALL_AIR_ML.at(q) : AirSeverity.BRAKE_ML.at(q)));
                });
    }

    private static void drag(
            SuspectList list,
            String id,
            List<String> places,
            Remedy remedy,
            Frequency frequency,
            Binds what,
            double lostShare) {
        list.suspect(id)
                .at(places)
                .curedBy(remedy)
                .fromWear()
                .frequency(frequency)
                .faults((q, l, r) -> List.of(
                        new MechanicalDrag(anyOf(places, r), what, DRAG_NM.at(q), lostShare * between(r, 0.4, 1))));
    }
}
