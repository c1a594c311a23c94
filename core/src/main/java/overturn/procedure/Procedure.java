package overturn.procedure;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import overturn.measurement.Figure;
import overturn.measurement.ReadingSpec;
import overturn.protocol.Protocol;

/**
 * A test: a procedure that yields a reading.
 *
 * @param id stable id, key of its words; a test that is derived from the layout has {@link #PLACES} and the joints
 *     behind it
 * @param protocol what is done to the circuit; the simulator predicts from it
 * @param spec what the reading consists of
 * @param table how the simulated figures become an observation; empty for a series
 * @param nature what kind of proof it can be
 * @param observes ids of the suspects that it observes directly
 * @param needs vehicle state
 * @param minutes working minutes, set-up of its own rig included (docs/trade-figures.md C, estimates)
 * @param rigKind what rig it relies on; readings of one set-up stand or fall together
 * @param gate whether it comes first whatever the score
 * @param steps in order
 * @param alsoNeeded what has to be at hand beside what rig, state and cautions ask for; {@link Needed#of} tells all
 */
public record Procedure(
        String id,
        Protocol protocol,
        ReadingSpec spec,
        Optional<ObservationTable> table,
        Nature nature,
        Set<String> observes,
        VehicleNeeds needs,
        double minutes,
        RigKind rigKind,
        boolean gate,
        List<Step> steps,
        Set<Needed> alsoNeeded) {

    /** In an id: what follows are places, not part of the key of its words. */
    public static final String PLACES = "@";

    /** Change of a chance that counts as one standard deviation; chosen. */
    private static final double TELLABLE_CHANCE = 0.25;
    /** Share of looks that are of the wrong part or entered at the wrong word; estimate. */
    private static final double SLIP_SHARE = 0.015;

    public Procedure {
        Objects.requireNonNull(protocol, "protocol");
        observes = Set.copyOf(observes);
        steps = List.copyOf(steps);
        alsoNeeded = Set.copyOf(alsoNeeded);
        boolean isObservation = spec instanceof ReadingSpec.Observation;
        if (isObservation != table.isPresent()) {
            throw new IllegalArgumentException("Test " + id + ": an observation needs a table, a series none");
        }
        if (spec instanceof ReadingSpec.Series series && series.figures().size() != protocol.samples()) {
            throw new IllegalArgumentException(
                    "Test " + id + ": " + series.figures().size() + " figures but " + protocol.samples() + " samples");
        }
    }

    /** What kind of proof a reading can be. */
    public enum Nature {
        /** Moves belief, proves nothing by itself. */
        INDICATING,
        /** Takes part of the circuit out. */
        ISOLATING,
        /** Looks at the fault itself. */
        OBSERVING
    }

    /** Caution at every step in which the vehicle moves. */
    private static final String QUIET_ROAD = "quiet-road";

    /** The rig on which a test relies; its check question is the word {@code rig.<id>.check}. */
    public enum RigKind {
        EYE("eye"),
        FOOT_AND_TAPE("foot-and-tape"),
        LEVEL_TAPE("level-tape"),
        CLAMPS("clamps"),
        PORT_PLUGS("port-plugs"),
        OUTLET_PLUGS("outlet-plugs"),
        VACUUM_GAUGE("vacuum-gauge"),
        BLEED_HOSE("bleed-hose"),
        PRESSURE_GAUGE("pressure-gauge"),
        RULE("rule"),
        HANDS_ON_WHEEL("hands-on-wheel"),
        THERMOMETER("thermometer"),
        FLUID_TESTER("fluid-tester"),
        BORE_GAUGE("bore-gauge"),
        LINE_PLUG("line-plug");

        private final String id;

        RigKind(String id) {
            this.id = id;
        }

        /**
         * Whether it is a tool that a workshop may not have; eyes, hands, a tape for the level and a rule are always
         * there.
         */
        public boolean tool() {
            return switch (this) {
                case EYE, LEVEL_TAPE, RULE, HANDS_ON_WHEEL -> false;
                default -> true;
            };
        }

        /** Whether its tests can be done without it, less surely: {@code rig.<id>.without} says how. */
        public boolean dispensable() {
            return this == FOOT_AND_TAPE;
        }

        public String id() {
            return id;
        }
    }

    /** Key of its words: its id without the places. */
    public String wordId() {
        return id.split(PLACES)[0];
    }

    /**
     * Name of the rig set-up it relies on the first time: every look is its own, a tape or plug once fitted serves all
     * its tests.
     */
    public String rigSetup() {
        return rigKind == RigKind.EYE ? rigKind.id() + "@" + id : rigKind.id();
    }

    /** Whether the vehicle itself moves in it, in the yard or on the road. */
    public boolean movesVehicle() {
        return steps.stream()
                .anyMatch(step -> step.cautionId().filter(QUIET_ROAD::equals).isPresent());
    }

    /**
     * How the vehicle stands while this is done, coming from a state: a look that needs nothing opened leaves open what
     * is open, a press does not.
     */
    public VehicleNeeds needsFrom(VehicleNeeds state) {
        return protocol.onlySenses() && needs.opened() == VehicleNeeds.Opened.NOTHING && !needs.wheelsOff()
                ? new VehicleNeeds(needs.bonnetOpen(), needs.raised(), false, state.opened())
                : needs;
    }

    /** Whether codes are read in it, which are noted beside what was seen. */
    public boolean readsCodes() {
        return alsoNeeded.contains(Needed.CODE_READER);
    }

    /** Whether it takes a second person and cannot be done alone. */
    public boolean needsHelper() {
        return steps.stream().anyMatch(step -> step.help() == Step.Help.TAKES_ONE);
    }

    /** Whether a reading of this test can carry the proof of a suspect. */
    public boolean canCarry(String suspectId) {
        return nature == Nature.ISOLATING || observes.contains(suspectId);
    }

    /**
     * What the reading would be, figures or probabilities of the observations, from the simulated figures. Beside what
     * a table says of the eye, one look in so many is of the wrong part or entered at the wrong word, and may say
     * anything.
     */
    public double[] predicted(double[] simulated) {
        return table.map(t -> withSlips(t.probabilities(simulated))).orElseGet(() -> readable(simulated));
    }

    private static double[] withSlips(double[] seen) {
        double[] told = new double[seen.length];
        for (int k = 0; k < told.length; k++) {
            told[k] = (1 - SLIP_SHARE) * seen[k] + SLIP_SHARE / told.length;
        }
        return told;
    }

    private double[] readable(double[] simulated) {
        List<Figure> figures = ((ReadingSpec.Series) spec).figures();
        double[] read = new double[simulated.length];
        for (int k = 0; k < read.length; k++) {
            read[k] = figures.get(k).nearest(simulated[k]);
        }
        return read;
    }

    /**
     * From which difference on two predictions can be told apart: two standard deviations of a figure, a quarter of an
     * observation.
     */
    public double tellableDifference(int k) {
        return spec instanceof ReadingSpec.Series series ? 2 * series.readingSd(k) : TELLABLE_CHANCE;
    }

    /**
     * Where its two figures are one quantity, before and after something was taken out: from which change on they
     * differ, two standard deviations of the second.
     */
    public OptionalDouble tellableChange() {
        return nature == Nature.ISOLATING
                        && spec instanceof ReadingSpec.Series series
                        && series.figures().size() == 2
                        && series.figures().get(0).dimension()
                                == series.figures().get(1).dimension()
                ? OptionalDouble.of(2 * series.figures().get(1).noiseSd())
                : OptionalDouble.empty();
    }

    /** How many numbers a prediction of this test holds: figures, or probabilities of the observations. */
    public int width() {
        return spec instanceof ReadingSpec.Observation observation
                ? observation.options().size()
                : protocol.samples();
    }
}
