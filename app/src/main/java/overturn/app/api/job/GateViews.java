package overturn.app.api.job;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import overturn.app.job.LoggedEntry;
import overturn.app.job.RepairEntry.CheckDone;
import overturn.app.job.RepairState;
import overturn.proving.Check;
import overturn.proving.Gate;
import overturn.proving.Proving;
import overturn.proving.Proving.Blocker;

/** The gates of proving and their checks. */
public final class GateViews {

    private GateViews() {}

    /** One gate: what shuts it, its checks; {@code closedAt} is since when what it checks was left as it is. */
    public record GateView(
            String id,
            Proving.State state,
            Optional<Instant> closedAt,
            List<BlockerView> blockers,
            List<GateCheckView> checks) {

        static GateView of(Proving.Standing standing, List<Check> checks, RepairState repair) {
            Gate gate = standing.gate();
            return new GateView(
                    gate.id(),
                    standing.state(),
                    Optional.ofNullable(repair.closedAt().get(gate)),
                    standing.blockers().stream().map(BlockerView::of).toList(),
                    checks.stream()
                            .filter(c -> c.gate() == gate)
                            .map(c -> GateCheckView.of(c, repair))
                            .toList());
        }
    }

    /** What keeps the gates shut, and where. */
    public record BlockerView(Blocker.Kind kind, String item) {

        static BlockerView of(Blocker blocker) {
            return new BlockerView(blocker.kind(), blocker.item());
        }
    }

    /** One check and its latest outcome. */
    public record GateCheckView(
            String id,
            Optional<String> cautionId,
            Optional<String> testId,
            Optional<String> outcome,
            Optional<String> seen,
            Optional<String> personId,
            Optional<Instant> at,
            Optional<UUID> entryId,
            Optional<UUID> readingId,
            List<JudgedView> judged,
            Optional<EarlyView> early) {

        static GateCheckView of(Check check, RepairState repair) {
            Optional<LoggedEntry> logged = Optional.ofNullable(repair.outcomes().get(check.id()));
            Optional<CheckDone> done = logged.map(l -> (CheckDone) l.entry());
            return new GateCheckView(
                    check.id(),
                    check.cautionId(),
                    check.testId(),
                    done.map(CheckDone::outcome),
                    done.map(CheckDone::seen),
                    logged.map(LoggedEntry::personId),
                    logged.map(LoggedEntry::takenAt),
                    logged.map(LoggedEntry::id),
                    done.map(CheckDone::readingId).filter(id -> !id.isEmpty()).map(UUID::fromString),
                    done.map(CheckDone::judged).orElse(List.of()).stream()
                            .map(f -> new JudgedView(f.figureId(), f.value(), f.least(), f.most()))
                            .toList(),
                    Optional.ofNullable(repair.early().get(check.id())).map(EarlyView::of));
        }
    }

    /** A figure of a measurement, core unit, and between what it had to lie. */
    public record JudgedView(String figureId, double value, double least, double most) {}

    /** A check of the next day that was done before it had come, by whom and why: told, and not counted. */
    public record EarlyView(String why, String personId, Instant at) {

        static EarlyView of(LoggedEntry logged) {
            return new EarlyView(((CheckDone) logged.entry()).seen(), logged.personId(), logged.takenAt());
        }
    }
}
