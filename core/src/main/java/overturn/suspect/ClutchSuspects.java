package overturn.suspect;

import java.util.List;
import overturn.circuit.Chamber;
import overturn.circuit.Component.Pipe;
import overturn.circuit.End.Slave;

/** What can fail at the end of a clutch circuit. */
final class ClutchSuspects {

    private static final Severity AIR_ML = Severity.median(0.9).spread(1.8).within(0.2, 3);
    private static final Severity FORK_SHARE = Severity.median(0.22).spread(1.4).within(0.1, 0.5);
    private static final Severity RELEASE_SHARE =
            Severity.median(0.3).spread(1.4).within(0.15, 0.8);

    private ClutchSuspects() {}

    static void addTo(SuspectList list) {
        List<String> slaves = list.of(Slave.class);
        LineSuspects.outward(
                list,
                "slave-seal-weeping",
                slaves,
                Remedy.RENEW_SLAVE,
                Frequency.NONE.pedalClutch(24).concentricClutch(28).leverClutch(28));
        list.suspect("air-in-slave")
                .at(slaves)
                .curedBy(Remedy.BLEED_CLUTCH)
                .fromAir()
                .frequency(Frequency.NONE.pedalClutch(9).concentricClutch(7).leverClutch(14))
                .faults((q, l, r) -> List.of(new Fault.TrappedAir(slaves.get(0), Chamber.PRIMARY, AIR_ML.at(q))));
        List<String> loops = SuspectList.ids(
                list.layout().all(Pipe.class).stream().filter(Pipe::highLoop).toList());
        list.suspect("air-in-high-loop")
                .at(loops)
                .curedBy(Remedy.BLEED_LOOP)
                .fromAir()
                .frequency(Frequency.NONE.pedalClutch(5).concentricClutch(11).leverClutch(5))
                .faults((q, l, r) -> List.of(new Fault.TrappedAir(loops.get(0), Chamber.PRIMARY, AIR_ML.at(q))));
        list.suspect("fork-worn")
                .at(slaves)
                .curedBy(Remedy.RENEW_FORK)
                .fromWear()
                .frequency(Frequency.NONE.pedalClutch(9).concentricClutch(4))
                .faults((q, l, r) -> List.of(new Fault.ForkWear(FORK_SHARE.at(q) * needed(l))));
        list.suspect("clutch-mechanical")
                .at(slaves)
                .curedBy(Remedy.RENEW_CLUTCH)
                .fromWear()
                .frequency(Frequency.NONE.pedalClutch(25).concentricClutch(26).leverClutch(19))
                .faults((q, l, r) -> List.of(new Fault.ClutchMechanical(
                        RELEASE_SHARE.at(q) * l.all(Slave.class).get(0).releaseTravelMm())));
    }

    private static double needed(overturn.circuit.Layout layout) {
        Slave slave = layout.all(Slave.class).get(0);
        return slave.releaseTravelMm() * slave.forkRatio();
    }
}
