package overturn.app.api.job;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import overturn.app.job.Entry;
import overturn.app.job.Entry.CameBack;
import overturn.app.job.Entry.DataErased;
import overturn.app.job.Entry.PartMoved;
import overturn.app.job.Entry.PhotoTaken;
import overturn.app.job.Entry.TraceKept;
import overturn.app.job.Entry.WalkSeen;
import overturn.app.job.RepairEntry.BleedingChosen;
import overturn.app.job.RepairEntry.CheckDone;
import overturn.app.job.RepairEntry.CircuitRested;
import overturn.app.job.RepairEntry.FluidTaken;
import overturn.app.job.RepairEntry.JobReleased;
import overturn.app.job.RepairEntry.LevelEntered;
import overturn.app.job.RepairEntry.SecondChecked;
import overturn.app.job.RepairEntry.StrokesBled;
import overturn.app.job.RepairEntry.WayChosen;
import overturn.app.job.RepairEntry.WorkStepDone;
import overturn.bleeding.BleedEvent;
import overturn.inference.PlacesSeen;
import overturn.proving.Proving;

/** What an entry says beside what every entry says: by its kind, each with fields of its own. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
    @JsonSubTypes.Type(value = ToldView.StepTold.class, name = WorkStepDone.KIND),
    @JsonSubTypes.Type(value = ToldView.StrokesTold.class, name = StrokesBled.KIND),
    @JsonSubTypes.Type(value = ToldView.BleedingTold.class, name = BleedingChosen.KIND),
    @JsonSubTypes.Type(value = ToldView.FluidTold.class, name = FluidTaken.KIND),
    @JsonSubTypes.Type(value = ToldView.WayTold.class, name = WayChosen.KIND),
    @JsonSubTypes.Type(value = ToldView.RestTold.class, name = CircuitRested.KIND),
    @JsonSubTypes.Type(value = ToldView.ErasureTold.class, name = DataErased.KIND),
    @JsonSubTypes.Type(value = ToldView.SecondCheckTold.class, name = SecondChecked.KIND),
    @JsonSubTypes.Type(value = ToldView.LevelTold.class, name = LevelEntered.KIND),
    @JsonSubTypes.Type(value = ToldView.CheckTold.class, name = CheckDone.KIND),
    @JsonSubTypes.Type(value = ToldView.ReleaseTold.class, name = JobReleased.KIND),
    @JsonSubTypes.Type(value = ToldView.WalkTold.class, name = WalkSeen.KIND),
    @JsonSubTypes.Type(value = ToldView.PhotoTold.class, name = PhotoTaken.KIND),
    @JsonSubTypes.Type(value = ToldView.TraceTold.class, name = TraceKept.KIND),
    @JsonSubTypes.Type(value = ToldView.PartTold.class, name = PartMoved.KIND),
    @JsonSubTypes.Type(value = ToldView.ComebackTold.class, name = CameBack.KIND)
})
public sealed interface ToldView {

    /** A step of the plan, and what was measured at it, as typed. */
    record StepTold(String step, List<TypedTold> measured) implements ToldView {}

    /** A figure as typed. */
    record TypedTold(String text, String unit) {}

    /** Strokes at one end. */
    record StrokesTold(String endId, int count, BleedEvent.Bubbles bubbles, BleedEvent.Colour colour)
            implements ToldView {}

    /** How it is bled from here on; the maker's order of the ends with where he gives it. */
    record BleedingTold(String method, String order, List<String> makersOrder, String source) implements ToldView {}

    /** What the can says. */
    record FluidTold(String fluid, String grade) implements ToldView {}

    /** A school and the way that was chosen of it. */
    record WayTold(String school, String way) implements ToldView {}

    /** The circuit rested. */
    record RestTold() implements ToldView {}

    /** Which vehicle it was, whose, and so many pictures were erased on request. */
    record ErasureTold(int pictures, String why) implements ToldView {}

    /** Another person looked at the checks. */
    record SecondCheckTold() implements ToldView {}

    /** The level: max, min, or a volume as typed. */
    record LevelTold(String text, String unit) implements ToldView {}

    /** A check of a gate. */
    record CheckTold(String checkId, Proving.Outcome outcome, String seen) implements ToldView {}

    /** A release; with the day of its re-check where it is conditional. */
    record ReleaseTold(Optional<LocalDate> recheckOn) implements ToldView {}

    /** What was seen on a walk round the vehicle, part by part. */
    record WalkTold(List<SpotTold> spots) implements ToldView {}

    /** A part and how it looked. */
    record SpotTold(String componentId, PlacesSeen.State state) {}

    /** A picture, by its digest. */
    record PhotoTold(String sha256, String caption, String procedureId) implements ToldView {}

    /** What an instrument wrote down during a test, at even steps, the first so many seconds from the press. */
    record TraceTold(
            String procedureId,
            String instrument,
            String unit,
            double fromSeconds,
            double stepSeconds,
            List<Double> values)
            implements ToldView {}

    /** A part that was asked for, ordered, came, went back. */
    record PartTold(
            String part,

            @Schema(allowableValues = {"wanted", "ordered", "arrived", "returned", "spare", "core-sent-back"})
            String state,

            String note)
            implements ToldView {}

    /** It came back with its complaint. */
    record ComebackTold() implements ToldView {}

    /** What this entry says; empty where all of it stands in the fields of every entry. */
    static Optional<ToldView> of(Entry entry) {
        ToldView told = null;
        if (entry instanceof WorkStepDone step) {
            told = new StepTold(
                    step.key(),
                    step.measured().stream()
                            .map(m -> new TypedTold(m.text(), m.unit()))
                            .toList());
        } else if (entry instanceof StrokesBled strokes) {
            told = new StrokesTold(strokes.endId(), strokes.count(), strokes.seen(), strokes.coloured());
        } else if (entry instanceof BleedingChosen chosen) {
            told = new BleedingTold(
                    chosen.bleeding().method(), chosen.bleeding().order(), chosen.makersOrder(), chosen.source());
        } else if (entry instanceof FluidTaken taken) {
            told = new FluidTold(taken.fluid(), taken.grade());
        } else if (entry instanceof WayChosen chosen) {
            told = new WayTold(chosen.school(), chosen.way());
        } else if (entry instanceof CircuitRested) {
            told = new RestTold();
        } else if (entry instanceof DataErased erased) {
            told = new ErasureTold(erased.pictures(), erased.why());
        } else if (entry instanceof SecondChecked) {
            told = new SecondCheckTold();
        } else if (entry instanceof LevelEntered level) {
            told = new LevelTold(level.text(), level.unit());
        } else if (entry instanceof CheckDone check) {
            told = new CheckTold(check.checkId(), check.result(), check.seen());
        } else if (entry instanceof JobReleased released) {
            told = new ReleaseTold(Optional.of(released.recheckOn())
                    .filter(day -> !day.isEmpty())
                    .map(LocalDate::parse));
        } else if (entry instanceof WalkSeen walk) {
            told = new WalkTold(walk.spots().stream()
                    .map(spot -> new SpotTold(spot.componentId(), spot.looked()))
                    .toList());
        } else if (entry instanceof PhotoTaken photo) {
            told = new PhotoTold(photo.sha256(), photo.caption(), photo.procedureId());
        } else if (entry instanceof TraceKept trace) {
            told = new TraceTold(
                    trace.procedureId(),
                    trace.instrument(),
                    trace.unit(),
                    trace.fromSeconds(),
                    trace.stepSeconds(),
                    trace.values());
        } else if (entry instanceof PartMoved moved) {
            told = new PartTold(moved.part(), moved.state(), moved.note());
        } else if (entry instanceof CameBack) {
            told = new ComebackTold();
        }
        return Optional.ofNullable(told);
    }
}
