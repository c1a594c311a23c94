package overturn.repair;

import static overturn.repair.Handling.BLEED;
import static overturn.repair.Handling.CLEAN;
import static overturn.repair.Handling.COVER;
import static overturn.repair.Handling.CRACK;
import static overturn.repair.Handling.FILL;
import static overturn.repair.Handling.FIT;
import static overturn.repair.Handling.LOOK;
import static overturn.repair.Handling.PRESS;
import static overturn.repair.Handling.PULL;
import static overturn.repair.Handling.TORQUE;
import static overturn.repair.Handling.UNSCREW;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import overturn.circuit.Assist.HydraulicAssist;
import overturn.circuit.Assist.VacuumAssist;
import overturn.circuit.Component.Pipe;
import overturn.circuit.End;
import overturn.circuit.End.Slave;
import overturn.circuit.Layout;
import overturn.procedure.Needed;
import overturn.suspect.Remedy;

/**
 * What each remedy needs; what many need is here, what one part needs beside its neighbours. The order is not decided
 * here.
 */
final class Recipes {

    final Layout layout;
    /** Where it is done. */
    final String place;

    private final WorkSchools schools;
    final boolean lever;
    final boolean clutch;
    private final List<StepDraft> steps = new ArrayList<>();
    private final Set<School> asked = EnumSet.noneOf(School.class);

    private Recipes(Layout layout, String place, WorkSchools schools) {
        this.layout = layout;
        this.place = place;
        this.schools = schools;
        this.lever = layout.family().lever();
        this.clutch = layout.family().clutch();
    }

    /** The steps of a remedy, and the schools by which they were chosen. */
    record Written(List<StepDraft> steps, Set<School> schools) {}

    /** The steps of a remedy done at a component, in any order. */
    static Written written(Layout layout, Remedy remedy, String place, WorkSchools schools) {
        Recipes recipe = new Recipes(layout, place, schools);
        recipe.write(recipe.reworked(remedy));
        if (recipe.steps.stream().noneMatch(step -> step.section == Section.BEYOND)) {
            recipe.beyond("made-it-fail", LOOK, place, 2);
        }
        return new Written(recipe.steps, recipe.asked);
    }

    /** The way of a school that counts here; the plan depends on it from now on. */
    String way(School school) {
        asked.add(school);
        return schools.way(school);
    }

    boolean is(School school, String way) {
        return way(school).equals(way);
    }

    /** Renewed or resealed as the workshop or the job has chosen; left to the verdict where nothing is said. */
    private Remedy reworked(Remedy remedy) {
        return switch (remedy) {
            case RENEW_MASTER -> is(School.REWORK, "reseal") ? Remedy.CLEAN_MASTER : remedy;
            case CLEAN_MASTER -> is(School.REWORK, "renew") ? Remedy.RENEW_MASTER : remedy;
            case RENEW_END -> is(School.REWORK, "reseal") ? Remedy.RESEAL_END : remedy;
            case RESEAL_END -> is(School.REWORK, "renew") ? Remedy.RENEW_END : remedy;
            case RENEW_ASSIST -> hydraulic() && is(School.REWORK, "reseal") ? Remedy.RESEAL_ASSIST : remedy;
            case RESEAL_ASSIST -> is(School.REWORK, "renew") ? Remedy.RENEW_ASSIST : remedy;
            default -> remedy;
        };
    }

    private void write(Remedy remedy) {
        switch (remedy) {
            case RENEW_MASTER -> MasterRecipes.renew(this, false);
            case FIT_RIGHT_MASTER -> MasterRecipes.renew(this, true);
            case CLEAN_MASTER -> MasterRecipes.clean(this);
            case RESIDUAL_VALVE -> MasterRecipes.residualValve(this);
            case BLEED_MASTER -> MasterRecipes.bleed(this);
            case REROUTE_PORTS -> MasterRecipes.reroute(this);
            case SET_LEVEL -> MasterRecipes.level(this);
            case RESEAL_RESERVOIR -> MasterRecipes.reservoir(this);
            case CHANGE_FLUID -> MasterRecipes.changeFluid(this);
            case FLUSH_AND_RESEAL -> MasterRecipes.flush(this);
            case SET_ROD -> InputRecipes.rod(this);
            case SHORTEN_ROD -> InputRecipes.shorterRod(this);
            case LENGTHEN_ROD -> InputRecipes.longerRod(this);
            case SET_STOP -> InputRecipes.stop(this);
            case SET_OUTPUT_ROD -> InputRecipes.outputRod(this);
            case FREE_INPUT -> InputRecipes.free(this);
            case STIFFEN_BRACKET -> InputRecipes.bracket(this);
            case CORRECT_INPUT -> InputRecipes.ratio(this);
            case RENEW_LEVER -> InputRecipes.lever(this);
            case SET_REACH -> InputRecipes.reach(this);
            case SET_LAMP_SWITCH -> InputRecipes.lampSwitch(this);
            case RESTORE_SUPPLY -> AssistRecipes.supply(this);
            case RENEW_SUPPLY_HOSE -> AssistRecipes.supplyHose(this);
            case RENEW_CHECK_VALVE -> AssistRecipes.checkValve(this);
            case RESEAL_ASSIST_JOINT -> AssistRecipes.joint(this);
            case RENEW_ASSIST -> AssistRecipes.renew(this);
            case RESEAL_ASSIST -> AssistRecipes.reseal(this);
            case MAKE_ASSIST_LINE_DRY -> AssistRecipes.line(this);
            case RESTORE_PUMP -> AssistRecipes.pump(this);
            case RENEW_ACCUMULATOR -> AssistRecipes.accumulator(this);
            case CLEAR_RETURN -> AssistRecipes.returnLine(this);
            case BLEED_ASSIST -> AssistRecipes.bleed(this);
            case MAKE_JOINT_DRY -> LineRecipes.joint(this);
            case RENEW_HOSES -> LineRecipes.hoses(this);
            case RENEW_PIPE -> LineRecipes.pipe(this);
            case RENEW_VALVE -> LineRecipes.valve(this);
            case RENEW_CONNECTOR -> LineRecipes.connector(this);
            case BLEED_MODULATOR -> LineRecipes.bleedModulator(this);
            case RENEW_MODULATOR -> LineRecipes.modulator(this);
            case MEND_MODULATOR_SIGNAL -> LineRecipes.signal(this);
            case BLEED_FRONT -> bleedOnly(end -> !end.rear());
            case BLEED_REAR -> bleedOnly(End::rear);
            case BLEED_CLUTCH -> bleedOnly(end -> true);
            case BLEED_LOOP -> LineRecipes.loop(this);
            case RENEW_END, FIT_MATCHING_END -> EndRecipes.renew(this);
            case RESEAL_END -> EndRecipes.reseal(this);
            case FREE_SLIDES -> EndRecipes.slides(this);
            case MEND_RUNOUT -> EndRecipes.runout(this);
            case ADJUST_SHOES -> EndRecipes.shoes(this);
            case FREE_PARKING_BRAKE -> EndRecipes.parkingBrake(this);
            case RENEW_LININGS -> EndRecipes.linings(this);
            case SWAP_ENDS -> EndRecipes.swap(this);
            case RENEW_SLAVE -> EndRecipes.slave(this);
            case RENEW_FORK -> EndRecipes.fork(this);
            case RENEW_CLUTCH -> EndRecipes.clutchParts(this);
            case HAND_BACK -> beyond("hand-back", LOOK, place, 5);
            case LOOK_ELSEWHERE -> beyond("look-elsewhere", LOOK, place, 30);
        }
    }

    private StepDraft add(Section section, String id, Handling handling, String at, double minutes) {
        StepDraft step = new StepDraft(id, section, handling, at, minutes);
        steps.add(step);
        return step;
    }

    StepDraft protect(String id, Handling handling, String at, double minutes) {
        return add(Section.PROTECT, id, handling, at, minutes);
    }

    StepDraft takeOut(String id, Handling handling, String at, double minutes) {
        return add(Section.TAKE_OUT, id, handling, at, minutes);
    }

    StepDraft clean(String id, Handling handling, String at, double minutes) {
        return add(Section.CLEAN, id, handling, at, minutes);
    }

    StepDraft compare(String id, Handling handling, String at, double minutes) {
        return add(Section.COMPARE, id, handling, at, minutes);
    }

    StepDraft decide(String id, Handling handling, String at, double minutes) {
        return add(Section.DECIDE, id, handling, at, minutes);
    }

    StepDraft reseal(String id, Handling handling, String at, double minutes) {
        return add(Section.RESEAL, id, handling, at, minutes);
    }

    StepDraft moveOver(String id, Handling handling, String at, double minutes) {
        return add(Section.MOVE_OVER, id, handling, at, minutes);
    }

    StepDraft benchBleed(String id, Handling handling, String at, double minutes) {
        return add(Section.BENCH_BLEED, id, handling, at, minutes);
    }

    StepDraft fit(String id, Handling handling, String at, double minutes) {
        return add(Section.FIT, id, handling, at, minutes);
    }

    StepDraft set(String id, Handling handling, String at, double minutes) {
        return add(Section.SET, id, handling, at, minutes);
    }

    StepDraft fill(String id, Handling handling, String at, double minutes) {
        return add(Section.FILL, id, handling, at, minutes);
    }

    StepDraft bleed(String id, Handling handling, String at, double minutes) {
        return add(Section.BLEED, id, handling, at, minutes);
    }

    StepDraft close(String id, Handling handling, String at, double minutes) {
        return add(Section.CLOSE, id, handling, at, minutes);
    }

    StepDraft beyond(String id, Handling handling, String at, double minutes) {
        return add(Section.BEYOND, id, handling, at, minutes);
    }

    String master() {
        return layout.master().id();
    }

    String input() {
        return layout.input().id();
    }

    String reservoir() {
        return layout.reservoir().id();
    }

    boolean hydraulic() {
        return layout.assist().filter(HydraulicAssist.class::isInstance).isPresent();
    }

    boolean vacuum() {
        return layout.assist().filter(VacuumAssist.class::isInstance).isPresent();
    }

    /** The vehicle held and tagged. */
    void held() {
        protect("hold", LOOK, input(), 2).caution("chocks").with(Needed.CHOCKS).makes(State.HELD, State.TAG);
    }

    /** The vehicle held, its paint covered, its reserve spent, what is in the way off: before anything is opened. */
    void protect() {
        held();
        protect("cover", COVER, reservoir(), 2)
                .caution("fluid")
                .with(Needed.COVERS)
                .makes(State.COVERED);
        spent();
        protect("in-the-way-off", UNSCREW, master(), 5)
                .maker("in-the-way")
                .makes(State.IN_THE_WAY_OFF)
                .whereItApplies();
        close("in-the-way-on", FIT, master(), 5)
                .closing()
                .within(State.BOLTED)
                .within(Condition.isNot(State.MASTER_OFF, master()))
                .ends(State.IN_THE_WAY_OFF)
                .whereItApplies();
    }

    /** Nothing stored in the assist. */
    void spent() {
        layout.assist()
                .ifPresent(assist -> protect("spend-reserve", PRESS, assist.id(), 1)
                        .caution("open-circuit")
                        .pressing()
                        .makes(State.RESERVE_SPENT));
    }

    /** On stands with the wheel off, and back. */
    void wheelOff(String end) {
        if (lever) {
            return;
        }
        raised();
        if (!clutch) {
            protect("wheel-off", UNSCREW, end, 3).needs(State.RAISED, input()).makes(State.WHEEL_OFF);
            close("wheel-on", TORQUE, end, 3)
                    .with(Needed.TORQUE_SPANNER)
                    .maker("wheel-torque")
                    .ends(State.WHEEL_OFF);
        }
    }

    /** On stands, and down. */
    void raised() {
        if (!lever) {
            protect("raise", LOOK, input(), 6)
                    .caution("stands")
                    .with(Needed.STANDS)
                    .makes(State.RAISED);
            close("lower", LOOK, input(), 3).closing().needs(State.RAISED).ends(State.RAISED);
        }
    }

    /** New fluid in, every end of these bled, the level set, all wiped dry and looked at. */
    void fillAndBleed(Predicate<End> which) {
        fill("fill", FILL, reservoir(), 3)
                .caution("fluid")
                .with(Needed.FLUID)
                .maker("fluid-grade")
                .filling()
                .makes(State.FILLED, State.RESERVOIR_CAP_OFF)
                .ends(State.DRAINED);
        fill("cap-on", FIT, reservoir(), 0.5)
                .caution("cap-loose")
                .needs(State.FILLED)
                .ends(State.RESERVOIR_CAP_OFF);
        if (!clutch) {
            raised();
        }
        waysOfBleeding();
        if (layout.master().bleedScrew() && layout.ends().stream().allMatch(which)) {
            bleed("master-screw-bled", CRACK, master(), 4)
                    .caution("screw")
                    .with(Needed.BOX_SPANNER, Needed.JAR)
                    .maker("screw-opening")
                    .pressing()
                    .needs(State.FILLED, reservoir())
                    .makes(State.BLED);
        }
        layout.ends().stream().filter(which).forEach(this::bleedEnd);
        layout.all(Pipe.class).stream().filter(Pipe::highLoop).forEach(loop -> liftLoop(loop.id()));
        closed();
    }

    /** How the jar hangs, what is in it and when the screw opens, as the workshop does it. */
    private void waysOfBleeding() {
        String jar = "jar-" + way(School.JAR);
        String fluid = "jar-fluid-" + way(School.JAR_FLUID);
        String screw = "screw-" + way(School.SCREW_OPENS);
        for (String way : List.of(jar, fluid, screw)) {
            bleed(way, LOOK, reservoir(), 0.5)
                    .needs(State.FILLED)
                    .within(Condition.isNot(State.RESERVOIR_CAP_OFF, reservoir()));
        }
    }

    private void bleedEnd(End end) {
        if (!(end instanceof Slave slave && slave.concentric())) {
            bleed("screw-on-top", LOOK, end.id(), 1)
                    .needs(State.FILLED, reservoir())
                    .with(Needed.BOX_SPANNER, Needed.THREAD_CLEANER)
                    .makes(State.SCREW_READY);
        }
        StepDraft bled = bleed(WorkStep.BLEED_END, BLEED, end.id(), clutch || lever ? 10 : 8)
                .caution("screw")
                .with(Needed.BOX_SPANNER, Needed.JAR, Needed.FLUID)
                .maker("screw-opening")
                .pressing()
                .needs(State.FILLED, reservoir())
                .within(State.BLED, master())
                .within(State.SCREW_READY)
                .makes(State.BLED);
        close("rubber-cap", FIT, end.id(), 0.5).needs(State.BLED).makes(State.SCREW_CAPPED);
        layout.all(Pipe.class).stream()
                .filter(Pipe::highLoop)
                .forEach(loop -> bled.afterWherePlannedAt(loop.id(), "lift-loop"));
    }

    void liftLoop(String loop) {
        bleed("lift-loop", PULL, loop, 3);
    }

    /** The level set and the cap on, codes gone, everything washed. */
    void closed() {
        close("set-level", FILL, reservoir(), 2).caution("fluid").closing().makes(State.LEVEL_SET);
        close("wash", CLEAN, master(), 4).closing().needs(State.LEVEL_SET, reservoir());
        layout.modulator()
                .ifPresent(m -> close("clear-codes", LOOK, m.id(), 4)
                        .with(Needed.CODE_READER)
                        .closing()
                        .whereItApplies());
    }

    /** Which ends have to be bled once a part is off: those of every chamber that it feeds. */
    Predicate<End> behind(String component) {
        return end -> end.id().equals(component) || layout.upstream(end.id()).contains(component);
    }

    private void bleedOnly(Predicate<End> which) {
        protect();
        raised();
        beyond("where-from", LOOK, place, 3);
        fillAndBleed(which);
    }
}
