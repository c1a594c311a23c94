package overturn.app.usecase.practice;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotSame;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import overturn.app.people.Actor;
import overturn.app.people.Role;
import overturn.app.practice.RigActWords;
import overturn.app.support.OverturnServer;

/** A live vehicle is its seed and what was done to it: another process has the same one. */
@ExtendWith(OverturnServer.class)
class LiveRigsTest {

    private static final Actor JUNO = new Actor("juno-vale", Role.APPRENTICE, false);

    private static RigActWords foot(double forceN) {
        return new RigActWords("foot", null, forceN, null);
    }

    @Test
    void rebuiltFromWhatWasNotedItStandsAsItStood(OverturnServer.Running server) {
        LiveRigs rigs = server.context().getBean(LiveRigs.class);
        Practise practise = server.context().getBean(Practise.class);
        UUID id = UUID.randomUUID();
        server.context()
                .getBean(SetExercises.class)
                .set(JUNO, new SetExercises.Draft(id, null, null, null, null, null, "hold-off-and-on", null, null));
        practise.act(id, JUNO, UUID.randomUUID(), new RigActWords("engine", null, null, true));
        passes(rigs, id, 90);
        practise.act(id, JUNO, UUID.randomUUID(), foot(180));
        passes(rigs, id, 200);
        practise.act(id, JUNO, UUID.randomUUID(), foot(240));
        passes(rigs, id, 30);
        practise.act(id, JUNO, UUID.randomUUID(), new RigActWords("bleed", "front-left", 4.0, null));
        passes(rigs, id, 100);
        LiveRig.Sample bled = rigs.of(id).next();
        assertTrue(
                bled.shown().travelMm() < 5,
                "the foot is off it: " + bled.shown().travelMm());
        assertEquals(4, bled.state().hose().orElseThrow().strokes());
        practise.act(id, JUNO, UUID.randomUUID(), foot(180));
        passes(rigs, id, 60);
        practise.act(id, JUNO, UUID.randomUUID(), new RigActWords("parking-brake", null, null, true));
        LiveRig before = rigs.of(id);
        LiveRig.Sample stood = before.next();
        rigs.forget(id);
        LiveRig after = rigs.of(id);
        assertNotSame(before, after);
        LiveRig.Sample stands = after.next();
        assertTrue(stood.shown().travelMm() > 10);
        assertEquals(stood.tick(), stands.tick());
        assertEquals(stood.shown(), stands.shown());
        assertEquals(stood.state(), stands.state());
    }

    private static void passes(LiveRigs rigs, UUID id, int ticks) {
        for (int i = 0; i < ticks; i++) {
            rigs.of(id).next();
        }
    }

    @Test
    void withNothingDoneItComesToRestAndAnActWakesIt(OverturnServer.Running server) {
        LiveRigs rigs = server.context().getBean(LiveRigs.class);
        Practise practise = server.context().getBean(Practise.class);
        UUID id = UUID.randomUUID();
        server.context()
                .getBean(SetExercises.class)
                .set(JUNO, new SetExercises.Draft(id, null, null, null, null, null, "lever-preload", null, null));
        passes(rigs, id, 4_000);
        LiveRig.Sample rests = rigs.of(id).next();
        assertTrue(rests.rests());
        assertEquals(rests.tick(), rigs.of(id).next().tick());
        practise.act(id, JUNO, UUID.randomUUID(), foot(40));
        assertEquals(rests.tick() + 1, rigs.of(id).next().tick());
        assertEquals(List.of(), rigs.of(id).state().mishaps());
    }
}
