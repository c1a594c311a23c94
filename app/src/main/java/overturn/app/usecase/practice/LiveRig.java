package overturn.app.usecase.practice;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.UUID;
import java.util.function.Function;
import overturn.app.practice.Noted;
import overturn.app.practice.NotedEntry;
import overturn.app.practice.SetExercise;
import overturn.app.usecase.layout.LayoutSheets.Sheet;
import overturn.circuit.Layout;
import overturn.instrument.InstrumentKind;
import overturn.instrument.SimulatedInstrument;
import overturn.practice.ComplaintFelt;
import overturn.practice.HiddenRig;
import overturn.practice.RigAct;
import overturn.practice.RigState;
import overturn.protocol.Act;
import overturn.protocol.Protocol;
import overturn.protocol.TestVehicle;
import overturn.secondworld.LiveVehicle;
import overturn.secondworld.SecondWorldVehicle;
import overturn.suspect.Cure;
import overturn.suspect.Fault;
import overturn.suspect.Repaired;

/**
 * The vehicle of one exercise while somebody works on it: it goes on {@link #TICKS_PER_SECOND} times a second as long
 * as somebody looks, and is the same again when it is rebuilt from what was noted. Thread-safe.
 */
final class LiveRig {

    /** How often it moves. */
    static final int TICKS_PER_SECOND = 25;

    private static final double TICK_SECONDS = 1.0 / TICKS_PER_SECOND;
    /** With no foot on it and nothing done for so long it stands still: nothing moves any more. */
    private static final long RESTS_AFTER_TICKS = 120L * TICKS_PER_SECOND;
    /** What stopping again and again warms an end by in a minute of driving, and most of it, °C. */
    private static final double HEAT_PER_MINUTE_C = 8;

    private static final double MOST_HEAT_C = 90;
    /** A fault that comes and goes stays as it is for so long. */
    private static final long SPELL_TICKS = 40L * TICKS_PER_SECOND;

    private final SetExercise set;
    private final Layout layout;
    private final HiddenRig hidden;
    private final LiveVehicle vehicle;
    private final Map<InstrumentKind, SimulatedInstrument> instruments = new EnumMap<>(InstrumentKind.class);
    private final Set<UUID> known = new HashSet<>();
    private RigState state;
    private Repaired repaired = Repaired.NONE;
    private List<Fault> present = List.of();
    private long tick;
    private long lastActTick;
    private double heatC;
    private int sequence;

    private LiveRig(SetExercise set, Sheet sheet, Map<Protocol, double[]> dataSheet) {
        this.set = set;
        this.layout = sheet.layout();
        this.hidden = hidden(set, layout, dataSheet);
        long seed = set.exercise().seed();
        this.vehicle = SecondWorldVehicle.of(layout, List.of(), seed).live(new SplittableRandom(seed));
        this.state = RigState.untouched(layout, hidden.truth().air(layout));
        for (InstrumentKind kind : InstrumentKind.values()) {
            if (kind.onVehicle()) {
                instruments.put(kind, new SimulatedInstrument(kind, seed));
            }
        }
        trouble();
    }

    /** The vehicle of an exercise as tests find it. */
    static HiddenRig hidden(SetExercise set, Layout layout, Map<Protocol, double[]> dataSheet) {
        long seed = set.exercise().seed();
        Function<List<Fault>, TestVehicle> made = faults -> new ComplaintFelt(
                SecondWorldVehicle.of(layout, faults, seed), SecondWorldVehicle.of(layout, List.of(), seed), dataSheet);
        return new HiddenRig(set.exercise(), layout, made);
    }

    /** The rig as it stood after all that was noted. */
    static LiveRig rebuilt(SetExercise set, Sheet sheet, Map<Protocol, double[]> dataSheet, List<NotedEntry> noted) {
        LiveRig rig = new LiveRig(set, sheet, dataSheet);
        for (NotedEntry entry : noted) {
            while (rig.tick < entry.tick()) {
                rig.move();
            }
            if (entry.noted() instanceof Noted.Acted acted) {
                rig.does(acted.act());
            }
            rig.noted(entry);
        }
        return rig;
    }

    HiddenRig hidden() {
        return hidden;
    }

    Layout layout() {
        return layout;
    }

    SetExercise set() {
        return set;
    }

    synchronized RigState state() {
        return state;
    }

    synchronized long tick() {
        return tick;
    }

    synchronized int nextSequence() {
        return sequence + 1;
    }

    synchronized boolean knows(UUID entryId) {
        return known.contains(entryId);
    }

    synchronized void noted(NotedEntry entry) {
        sequence = Math.max(sequence, entry.sequence());
        known.add(entry.id());
    }

    /** What has been repaired by the plan of the job. */
    synchronized void repairedBy(Repaired done) {
        if (!done.equals(repaired)) {
            repaired = done;
            trouble();
        }
    }

    /** All that has been repaired, by the plan and from the shelf. */
    synchronized Repaired done() {
        List<Cure> cures = new ArrayList<>(repaired.cures());
        cures.addAll(state.replaced().cures());
        return new Repaired(cures);
    }

    /** @throws IllegalArgumentException if the act names what there is not, or asks for what cannot be */
    synchronized void does(RigAct act) {
        RigState after = state.after(act, layout);
        lastActTick = tick;
        if (after == state) {
            return;
        }
        boolean recut = !after.cuts().equals(state.cuts());
        boolean pressedAnew = after.footN() != state.footN();
        state = after;
        if (recut) {
            vehicle.fit(after.cuts());
        }
        if (pressedAnew) {
            vehicle.foot(after.footN());
        }
        if (act instanceof RigAct.Engine engine) {
            vehicle.act(engine.on() ? new Act.StartEngine() : new Act.StopEngine());
        } else if (act instanceof RigAct.ParkingBrake brake) {
            vehicle.act(new Act.ParkingBrake(brake.on()));
        } else if (act instanceof RigAct.Steer steer) {
            vehicle.act(new Act.Steer(steer.againstStop()));
        } else if (act instanceof RigAct.Drive drive && after.stopped().isEmpty()) {
            double warmer = Math.min(MOST_HEAT_C - heatC, HEAT_PER_MINUTE_C * drive.minutes());
            heatC += warmer;
            vehicle.act(new Act.Heat(warmer));
            vehicle.act(new Act.Drive(drive.minutes() * 60.0));
        } else if (act instanceof RigAct.Stand stand) {
            heatC *= Math.exp(-stand.minutes() / 30.0);
            vehicle.act(new Act.Stand(stand.minutes() * 60.0));
        }
        trouble();
    }

    private void trouble() {
        List<Fault> now = new ArrayList<>(showsNow() ? hidden.truth().left(done(), state, layout) : List.of());
        now.addAll(state.own(layout));
        if (!now.equals(present)) {
            present = now;
            vehicle.trouble(now);
        }
    }

    private boolean showsNow() {
        double share = hidden.truth().shownShare();
        return share == 1 || new SplittableRandom(set.exercise().seed() + tick / SPELL_TICKS).nextDouble() < share;
    }

    private void move() {
        if (tick % SPELL_TICKS == 0) {
            trouble();
        }
        vehicle.step(TICK_SECONDS);
        tick++;
    }

    /** What is shown at one moment, by itself and by each instrument; one that dropped out shows nothing. */
    record Sample(
            long tick, boolean rests, LiveVehicle.Shown shown, RigState state, Map<InstrumentKind, Double> read) {}

    private Map<InstrumentKind, Double> read(LiveVehicle.Shown shown) {
        Map<InstrumentKind, Double> read = new EnumMap<>(InstrumentKind.class);
        instruments.forEach((kind, instrument) ->
                instrument.show(truth(kind, shown), tick * TICK_SECONDS).ifPresent(value -> read.put(kind, value)));
        return read;
    }

    private double truth(InstrumentKind kind, LiveVehicle.Shown shown) {
        return switch (kind) {
            case PEDAL_FORCE_GAUGE -> shown.forceN();
            case TRAVEL_TAPE -> shown.travelMm();
            case PRESSURE_GAUGE ->
                shown.barByChamber().values().stream()
                        .mapToDouble(bar -> bar)
                        .max()
                        .orElse(0);
            case RESERVE_GAUGE -> shown.reserve();
            case SLAVE_TAPE -> shown.slaveStrokeMm();
            case LEVEL_RULE -> state.reservoirMl();
            case THERMOMETER -> shown.heatC();
            case VACUUM_GAUGE -> shown.supply();
            case TORQUE_WRENCH, CODE_READER -> throw new IllegalStateException("Impossible: it is put on no vehicle");
        };
    }

    /** Goes on by one tick, unless nothing moves, and shows what can be seen. */
    synchronized Sample next() {
        boolean rests = state.footN() == 0 && tick - lastActTick > RESTS_AFTER_TICKS;
        if (!rests) {
            move();
        }
        LiveVehicle.Shown shown = vehicle.shown();
        return new Sample(tick, rests, shown, state, read(shown));
    }
}
