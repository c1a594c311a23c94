package overturn.suspect;

import java.util.List;
import overturn.circuit.Chamber;
import overturn.circuit.Component.Pipe;
import overturn.circuit.End.Slave;
import overturn.suspect.Suspect.Origin;

/** What can fail at the end of a clutch circuit. */
final class ClutchSuspects {

    private static final Severity AIR_ML = Severity.of(0.9, 1.8, 0.2, 3);
    private static final Severity FORK_SHARE = Severity.of(0.22, 1.4, 0.1, 0.5);
    private static final Severity RELEASE_SHARE = Severity.of(0.3, 1.4, 0.15, 0.8);

    private ClutchSuspects() {}

    static void addTo(SuspectList list) {
        List<String> slaves = list.of(Slave.class);
        LineSuspects.outward(
                list,
                "slave-seal-weeping",
                slaves,
                Remedy.RENEW_SLAVE,
                Frequency.NONE.pedalClutch(24).concentricClutch(28).leverClutch(28));
        list.add(
                "air-in-slave",
                slaves,
                Remedy.BLEED_CLUTCH,
                Origin.AIR,
                Frequency.NONE.pedalClutch(9).concentricClutch(7).leverClutch(14),
                (q, l, r) -> List.of(new Fault.TrappedAir(slaves.get(0), Chamber.PRIMARY, AIR_ML.at(q))));
        List<String> loops = SuspectList.ids(
                list.layout().all(Pipe.class).stream().filter(Pipe::highLoop).toList());
        list.add(
                "air-in-high-loop",
                loops,
                Remedy.BLEED_LOOP,
                Origin.AIR,
                Frequency.NONE.pedalClutch(5).concentricClutch(11).leverClutch(5),
                (q, l, r) -> List.of(new Fault.TrappedAir(loops.get(0), Chamber.PRIMARY, AIR_ML.at(q))));
        list.add(
                "fork-worn",
                slaves,
                Remedy.RENEW_FORK,
                Origin.WEAR,
                Frequency.NONE.pedalClutch(9).concentricClutch(4),
                (q, l, r) -> List.of(new Fault.ForkWear(FORK_SHARE.at(q) * needed(l))));
        list.add(
                "clutch-mechanical",
                slaves,
                Remedy.RENEW_CLUTCH,
                Origin.WEAR,
                Frequency.NONE.pedalClutch(25).concentricClutch(26).leverClutch(19),
                (q, l, r) -> List.of(new Fault.ClutchMechanical(
                        RELEASE_SHARE.at(q) * l.all(Slave.class).get(0).releaseTravelMm())));
    }

    private static double needed(overturn.circuit.Layout layout) {
        Slave slave = layout.all(Slave.class).get(0);
        return slave.releaseTravelMm() * slave.forkRatio();
    }
}
