package overturn.repair;

import static overturn.repair.WorkStep.of;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import overturn.circuit.Component.Pipe;
import overturn.circuit.End;
import overturn.circuit.End.Slave;
import overturn.circuit.Layout;
import overturn.suspect.Remedy;

/** What each remedy needs; what many need is here, what one part needs beside its neighbours. */
final class Recipes {

    final Layout layout;
    /** Where it is done. */
    final String place;

    final boolean lever;
    final boolean clutch;
    private final List<WorkStep> steps = new ArrayList<>();

    private Recipes(Layout layout, String place) {
        this.layout = layout;
        this.place = place;
        this.lever = layout.family().lever();
        this.clutch = layout.family().clutch();
    }

    /** The steps of a remedy done at a component, in any order of sections. */
    static List<WorkStep> stepsOf(Layout layout, Remedy remedy, String place) {
        Recipes recipe = new Recipes(layout, place);
        switch (remedy) {
            case RENEW_MASTER -> MasterRecipes.renew(recipe, false);
            case FIT_RIGHT_MASTER -> MasterRecipes.renew(recipe, true);
            case CLEAN_MASTER -> MasterRecipes.clean(recipe);
            case RESIDUAL_VALVE -> MasterRecipes.residualValve(recipe);
            case BLEED_MASTER -> MasterRecipes.bleed(recipe);
            case REROUTE_PORTS -> MasterRecipes.reroute(recipe);
            case SET_LEVEL -> MasterRecipes.level(recipe);
            case RESEAL_RESERVOIR -> MasterRecipes.reservoir(recipe);
            case CHANGE_FLUID -> MasterRecipes.changeFluid(recipe);
            case FLUSH_AND_RESEAL -> MasterRecipes.flush(recipe);
            case SET_ROD -> InputRecipes.rod(recipe);
            case SET_OUTPUT_ROD -> InputRecipes.outputRod(recipe);
            case FREE_INPUT -> InputRecipes.free(recipe);
            case STIFFEN_BRACKET -> InputRecipes.bracket(recipe);
            case CORRECT_INPUT -> InputRecipes.ratio(recipe);
            case RENEW_LEVER -> InputRecipes.lever(recipe);
            case SET_REACH -> InputRecipes.reach(recipe);
            case SET_LAMP_SWITCH -> InputRecipes.lampSwitch(recipe);
            case RESTORE_SUPPLY -> AssistRecipes.supply(recipe);
            case RENEW_SUPPLY_HOSE -> AssistRecipes.supplyHose(recipe);
            case RENEW_CHECK_VALVE -> AssistRecipes.checkValve(recipe);
            case RESEAL_ASSIST_JOINT -> AssistRecipes.joint(recipe);
            case RENEW_ASSIST -> AssistRecipes.renew(recipe);
            case RESEAL_ASSIST -> AssistRecipes.reseal(recipe);
            case MAKE_ASSIST_LINE_DRY -> AssistRecipes.line(recipe);
            case RESTORE_PUMP -> AssistRecipes.pump(recipe);
            case RENEW_ACCUMULATOR -> AssistRecipes.accumulator(recipe);
            case CLEAR_RETURN -> AssistRecipes.returnLine(recipe);
            case BLEED_ASSIST -> AssistRecipes.bleed(recipe);
            case MAKE_JOINT_DRY -> LineRecipes.joint(recipe);
            case RENEW_HOSES -> LineRecipes.hoses(recipe);
            case RENEW_PIPE -> LineRecipes.pipe(recipe);
            case RENEW_VALVE -> LineRecipes.valve(recipe);
            case RENEW_CONNECTOR -> LineRecipes.connector(recipe);
            case BLEED_MODULATOR -> LineRecipes.bleedModulator(recipe);
            case RENEW_MODULATOR -> LineRecipes.modulator(recipe);
            case MEND_MODULATOR_SIGNAL -> LineRecipes.signal(recipe);
            case BLEED_FRONT -> recipe.bleedOnly(end -> !end.rear());
            case BLEED_REAR -> recipe.bleedOnly(End::rear);
            case BLEED_CLUTCH -> recipe.bleedOnly(end -> true);
            case BLEED_LOOP -> LineRecipes.loop(recipe);
            case RENEW_END, FIT_MATCHING_END -> EndRecipes.renew(recipe);
            case RESEAL_END -> EndRecipes.reseal(recipe);
            case FREE_SLIDES -> EndRecipes.slides(recipe);
            case MEND_RUNOUT -> EndRecipes.runout(recipe);
            case ADJUST_SHOES -> EndRecipes.shoes(recipe);
            case FREE_PARKING_BRAKE -> EndRecipes.parkingBrake(recipe);
            case RENEW_LININGS -> EndRecipes.linings(recipe);
            case SWAP_ENDS -> EndRecipes.swap(recipe);
            case RENEW_SLAVE -> EndRecipes.slave(recipe);
            case RENEW_FORK -> EndRecipes.fork(recipe);
            case RENEW_CLUTCH -> EndRecipes.clutchParts(recipe);
            case HAND_BACK -> recipe.add(of("hand-back", Section.BEYOND, Handling.LOOK, place, 5));
            case LOOK_ELSEWHERE -> recipe.add(of("look-elsewhere", Section.BEYOND, Handling.LOOK, place, 30));
        }
        if (recipe.steps.stream().noneMatch(step -> step.section() == Section.BEYOND)) {
            recipe.add(of("made-it-fail", Section.BEYOND, Handling.LOOK, place, 2));
        }
        return List.copyOf(recipe.steps);
    }

    Recipes add(WorkStep... more) {
        steps.addAll(List.of(more));
        return this;
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

    /** The vehicle held, its paint covered, its reserve spent: before anything is opened. */
    Recipes protect() {
        add(
                of("hold", Section.PROTECT, Handling.LOOK, input(), 2)
                        .caution("chocks")
                        .fits("do-not-drive-tag"),
                of("cover", Section.PROTECT, Handling.COVER, reservoir(), 2).caution("fluid"));
        layout.assist()
                .ifPresent(assist -> add(of("spend-reserve", Section.PROTECT, Handling.PRESS, assist.id(), 1)
                        .caution("open-circuit")));
        return this;
    }

    /** On stands with the wheel off, and back. */
    Recipes wheelOff(String end) {
        if (lever || clutch) {
            return clutch && !lever ? raised() : this;
        }
        raised();
        return add(
                of("wheel-off", Section.PROTECT, Handling.UNSCREW, end, 3).moves("wheel"),
                of("wheel-on", Section.CLOSE, Handling.TORQUE, end, 3)
                        .setsBack("wheel")
                        .needs("wheel-torque"));
    }

    /** On stands, and down. */
    Recipes raised() {
        return lever
                ? this
                : add(
                        of("raise", Section.PROTECT, Handling.LOOK, input(), 6)
                                .caution("stands")
                                .moves("stands"),
                        of("lower", Section.CLOSE, Handling.LOOK, input(), 3).setsBack("stands"));
    }

    /**
     * New fluid in, every end of these bled, the level set, all wiped dry and looked at; where all are bled, a master
     * with a screw of its own goes first.
     */
    Recipes fillAndBleed(Predicate<End> which) {
        add(of("fill", Section.FILL, Handling.FILL, reservoir(), 3)
                .caution("fluid")
                .needs("fluid-grade"));
        if (layout.master().bleedScrew() && layout.ends().stream().allMatch(which)) {
            add(of("master-screw-bled", Section.BLEED, Handling.CRACK, master(), 4)
                    .caution("screw")
                    .needs("screw-opening"));
        }
        layout.ends().stream().filter(which).forEach(end -> {
            if (!(end instanceof Slave slave && slave.concentric())) {
                add(of("screw-on-top", Section.BLEED, Handling.LOOK, end.id(), 1));
            }
            add(of("bleed-end", Section.BLEED, Handling.BLEED, end.id(), clutch || lever ? 10 : 8)
                    .caution("screw")
                    .needs("screw-opening"));
        });
        layout.all(Pipe.class).stream()
                .filter(Pipe::highLoop)
                .forEach(loop -> add(of("lift-loop", Section.BLEED, Handling.PULL, loop.id(), 3)));
        return closed();
    }

    /** The level set and the cap on, codes gone, everything washed. */
    Recipes closed() {
        add(
                of("set-level", Section.CLOSE, Handling.FILL, reservoir(), 2).caution("fluid"),
                of("wash", Section.CLOSE, Handling.CLEAN, master(), 4));
        layout.modulator()
                .ifPresent(m -> add(of("clear-codes", Section.CLOSE, Handling.LOOK, m.id(), 4)
                        .whereItApplies()));
        return this;
    }

    /** Which ends have to be bled once a part is off: those of every chamber that it feeds. */
    Predicate<End> behind(String component) {
        return end -> end.id().equals(component) || layout.upstream(end.id()).contains(component);
    }

    private void bleedOnly(Predicate<End> which) {
        protect();
        layout.ends().stream().filter(which).forEach(end -> wheelReach(end.id()));
        add(of("where-from", Section.BEYOND, Handling.LOOK, place, 3));
        fillAndBleed(which);
    }

    /** A screw that is reached with the wheel on needs the vehicle raised at most. */
    private void wheelReach(String end) {
        raised();
        if (!lever && !clutch) {
            add(of("wheel-reach", Section.PROTECT, Handling.LOOK, end, 1).whereItApplies());
        }
    }
}
