package overturn.app.usecase.practice;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Component;
import overturn.app.practice.Exercises;
import overturn.app.practice.SetExercise;
import overturn.app.usecase.NotFoundException;
import overturn.app.usecase.layout.LayoutSheets;
import overturn.app.usecase.layout.LayoutSheets.Sheet;
import overturn.practice.ComplaintFelt;
import overturn.protocol.Protocol;
import overturn.simulation.Simulator;

/** The vehicles that somebody works on just now; one that is not here is rebuilt from its seed and what was noted. */
@Component
class LiveRigs {

    private static final int MOST = 300;
    private static final Duration KEPT = Duration.ofMinutes(40);

    private final Exercises exercises;
    private final LayoutSheets sheets;
    private final Cache<UUID, LiveRig> rigs =
            Caffeine.newBuilder().maximumSize(MOST).expireAfterAccess(KEPT).build();
    private final Cache<String, Map<Protocol, double[]>> dataSheets =
            Caffeine.newBuilder().maximumSize(MOST).build();

    LiveRigs(Exercises exercises, LayoutSheets sheets) {
        this.exercises = exercises;
        this.sheets = sheets;
    }

    /**
     * The vehicle of an exercise as it stands after everything that was noted, at whichever server.
     *
     * @throws NotFoundException if there is no such exercise
     */
    LiveRig of(UUID exerciseId) {
        LiveRig here = rigs.getIfPresent(exerciseId);
        if (here != null && here.nextSequence() <= exercises.lastSequence(exerciseId)) {
            forget(exerciseId);
        }
        return rigs.get(exerciseId, id -> {
            SetExercise set = exercises.find(id).orElseThrow(() -> new NotFoundException("exercise", id.toString()));
            return LiveRig.rebuilt(set, sheet(set), dataSheet(set), exercises.noted(id));
        });
    }

    Sheet sheet(SetExercise set) {
        return sheets.of(set.layoutId());
    }

    /** What the data sheet's vehicle reads where the driver judges. */
    Map<Protocol, double[]> dataSheet(SetExercise set) {
        return dataSheets.get(set.layoutId(), id -> {
            Sheet sheet = sheets.of(id);
            return ComplaintFelt.dataSheet(Simulator.of(sheet.layout()), sheet.procedures());
        });
    }

    /** Forgets one, so that it is rebuilt; for one whose log another process has gone on with. */
    void forget(UUID exerciseId) {
        rigs.invalidate(exerciseId);
    }
}
