package overturn.app.job;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.IntStream;
import overturn.inference.PlacesSeen;
import overturn.measurement.Figure;
import overturn.measurement.ReadingSpec;
import overturn.measurement.ReadingSpec.Observation;
import overturn.measurement.ReadingSpec.Series;
import overturn.measurement.ReadingValue;
import overturn.measurement.ReadingValue.Figures;
import overturn.measurement.ReadingValue.Observed;
import overturn.measurement.RigTrust;
import overturn.quantity.TypedQuantity;
import overturn.verdict.Grade;
import overturn.verdict.Verdict.Missing;

/** What an entry of the log says. Entries are appended and struck, never changed. */
public sealed interface Entry
        permits Entry.JobOpened,
                Entry.ReadingTaken,
                Entry.NotUnderstood,
                Entry.SetApart,
                Entry.TestSetAside,
                Entry.FittingsTakenOff,
                Entry.EntryStruck,
                Entry.VerdictAccepted,
                Entry.PartMoved,
                Entry.JobWithdrawn,
                Entry.CameBack,
                Entry.WalkSeen,
                Entry.PhotoTaken,
                Entry.TraceKept,
                Entry.NoteWritten,
                Entry.DataErased,
                RepairEntry {

    /** The stable name of this kind of entry in the store. */
    String kind();

    /**
     * A job was opened.
     *
     * @param vehicleId the vehicle it is about
     * @param vehicle how the workshop called it then, for example its plate
     * @param layoutId its circuit
     * @param complaint the driver's own words
     * @param hunchId the suspect that whoever opened it would have bet on; empty where there was none
     * @param mayBeMoved whether it may be moved at all
     * @param recentWork whether the system was worked on just before
     * @param age how old its parts are: {@code UNKNOWN}, {@code NEW}, {@code OLD}
     * @param sometimes whether the complaint is there only sometimes
     * @param work what was done where before it, by stable ids
     * @param facts what somebody told or saw, by stable ids
     * @param about what else was told of vehicle and order, by {@link #ABOUT}
     */
    record JobOpened(
            UUID vehicleId,
            String vehicle,
            String layoutId,
            String complaint,
            String hunchId,
            boolean mayBeMoved,
            Boolean recentWork,
            String age,
            Boolean sometimes,
            List<Work> work,
            List<String> facts,
            Map<String, String> about)
            implements Entry {
        public static final String KIND = "job-opened";

        /** What may be told of vehicle and order: make and model, number of the chassis, customer, order. */
        public static final List<String> ABOUT = List.of("make", "vin", "customer", "order");

        /** One piece of work: where, what, and whether it was bled afterwards. */
        public record Work(String area, String kind, String bled) {}

        /** Jobs opened before these facts were asked hold none of them. */
        public JobOpened {
            recentWork = Boolean.TRUE.equals(recentWork);
            age = age == null ? "UNKNOWN" : age;
            sometimes = Boolean.TRUE.equals(sometimes);
            work = work == null ? List.of() : List.copyOf(work);
            facts = facts == null ? List.of() : List.copyOf(facts);
            about = about == null ? Map.of() : Map.copyOf(about);
        }

        /** A job of which nothing more is told. */
        public JobOpened(
                UUID vehicleId,
                String vehicle,
                String layoutId,
                String complaint,
                String hunchId,
                boolean mayBeMoved,
                Boolean recentWork,
                String age,
                Boolean sometimes,
                List<Work> work,
                List<String> facts) {
            this(
                    vehicleId,
                    vehicle,
                    layoutId,
                    complaint,
                    hunchId,
                    mayBeMoved,
                    recentWork,
                    age,
                    sometimes,
                    work,
                    facts,
                    Map.of());
        }

        @Override
        public String kind() {
            return KIND;
        }
    }

    /**
     * A reading was taken.
     *
     * @param value the observation, or the figures that were taken
     * @param figureIds of these figures, so that a test may change its figures later; empty for an observation, and in
     *     entries that tell figures by their place
     * @param codes what a code reader showed; empty where none was read
     */
    record ReadingTaken(
            String procedureId,
            ReadingValue value,
            List<String> figureIds,
            String rigSetup,
            RigTrust trust,
            List<StoredCode> codes)
            implements Entry {
        public static final String KIND = "reading-taken";

        /** A code: its number, what it says, and whether it is there now, came often, or once. */
        public record StoredCode(String number, String text, String often) {
            public static final List<String> OFTEN = List.of("now", "often", "once");
        }

        public ReadingTaken {
            figureIds = List.copyOf(figureIds);
            codes = List.copyOf(codes);
        }

        /** A reading with no codes. */
        public ReadingTaken(
                String procedureId, ReadingValue value, List<String> figureIds, String rigSetup, RigTrust trust) {
            this(procedureId, value, figureIds, rigSetup, trust, List.of());
        }

        /** The same reading with what a code reader showed beside it. */
        public ReadingTaken with(List<StoredCode> read) {
            return new ReadingTaken(procedureId, value, figureIds, rigSetup, trust, read);
        }

        /** What somebody saw. */
        public static ReadingTaken observed(String procedureId, String option, String rigSetup, RigTrust trust) {
            return new ReadingTaken(procedureId, new Observed(option), List.of(), rigSetup, trust);
        }

        /** A value as a test gives it; of figures only those that were taken are kept, each by its id. */
        public static ReadingTaken of(
                String procedureId, ReadingSpec spec, ReadingValue value, String rigSetup, RigTrust trust) {
            if (!(spec instanceof Series series && value instanceof Figures figures)) {
                return new ReadingTaken(procedureId, value, List.of(), rigSetup, trust);
            }
            List<Integer> taken = IntStream.range(0, figures.taken().size())
                    .filter(i -> figures.taken().get(i).isPresent())
                    .boxed()
                    .toList();
            return new ReadingTaken(
                    procedureId,
                    new Figures(taken.stream().map(figures.taken()::get).toList()),
                    taken.stream().map(i -> series.figures().get(i).id()).toList(),
                    rigSetup,
                    trust);
        }

        /**
         * The value in the order of the test as it is now; empty where the test does not know an observation or figure
         * any more.
         */
        public Optional<ReadingValue> in(ReadingSpec spec) {
            if (spec instanceof Observation observation) {
                return value instanceof Observed seen
                                && (seen.notSeen() || observation.options().contains(seen.option()))
                        ? Optional.of(value)
                        : Optional.empty();
            }
            List<String> known =
                    ((Series) spec).figures().stream().map(Figure::id).toList();
            if (!(value instanceof Figures figures)
                    || !known.containsAll(figureIds)
                    || figures.taken().size() > known.size()) {
                return Optional.empty();
            }
            return Optional.of(new Figures(IntStream.range(0, known.size())
                    .mapToObj(place -> {
                        int at = figureIds.isEmpty() ? place : figureIds.indexOf(known.get(place));
                        return at < 0 || at >= figures.taken().size()
                                ? Optional.<TypedQuantity>empty()
                                : figures.taken().get(at);
                    })
                    .toList()));
        }

        @Override
        public String kind() {
            return KIND;
        }
    }

    /**
     * An entry that this version of the program cannot read: written by a later one, or of something that is not known
     * any more. It stays in the log as it stands and counts for nothing.
     */
    record NotUnderstood(String kind, String body) implements Entry {}

    /**
     * An entry that stands at or behind one with which this version cannot work. It counts for nothing until that one
     * is struck.
     */
    record SetApart(String kind) implements Entry {}

    /** A test cannot be done here. */
    record TestSetAside(String procedureId, String why) implements Entry {
        public static final String KIND = "test-set-aside";

        @Override
        public String kind() {
            return KIND;
        }
    }

    /** What was fitted was taken off, the circuit closed and bled. */
    record FittingsTakenOff(List<String> items) implements Entry {
        public static final String KIND = "fittings-taken-off";

        public FittingsTakenOff {
            items = List.copyOf(items);
        }

        @Override
        public String kind() {
            return KIND;
        }
    }

    /** An earlier entry no longer counts. */
    record EntryStruck(UUID struckId, String why) implements Entry {
        public static final String KIND = "entry-struck";

        @Override
        public String kind() {
            return KIND;
        }
    }

    /**
     * The verdict was accepted as it stood on the screen.
     *
     * @param remedyIds what will be done: one remedy, or both of a pair
     * @param grade its grade at that moment; less than proven is recorded as assumed
     * @param probability its probability at that moment
     * @param carrierIds entries of the readings that carried it
     * @param missing what was missing for a proof
     * @param why why on less than proof; empty when proven
     * @param places for each remedy the component at which it is done; empty in entries of before
     * @param bleeding how the workshop bleeds at that moment; the usual way in entries of before
     * @param schools the ways that the workshop has chosen at that moment, by the stable ids of their schools; what is
     *     left out is done the usual way
     */
    record VerdictAccepted(
            List<String> remedyIds,
            Grade grade,
            double probability,
            List<UUID> carrierIds,
            List<Missing> missing,
            String why,
            List<String> places,
            Bleeding bleeding,
            Map<String, String> schools)
            implements Entry {
        public static final String KIND = "verdict-accepted";

        /** One in a workshop that does everything the usual way. */
        public VerdictAccepted(
                List<String> remedyIds,
                Grade grade,
                double probability,
                List<UUID> carrierIds,
                List<Missing> missing,
                String why,
                List<String> places,
                Bleeding bleeding) {
            this(remedyIds, grade, probability, carrierIds, missing, why, places, bleeding, Map.of());
        }

        public VerdictAccepted {
            remedyIds = List.copyOf(remedyIds);
            carrierIds = List.copyOf(carrierIds);
            missing = List.copyOf(missing);
            places = places == null ? List.of() : List.copyOf(places);
            bleeding = bleeding == null ? Bleeding.USUAL : bleeding;
            schools = Map.copyOf(schools);
        }

        @Override
        public String kind() {
            return KIND;
        }
    }

    /**
     * A part of this job was asked for, ordered, came, went back.
     *
     * @param part what it is, as the shop says it
     * @param state stable id of {@link PartState}
     * @param note supplier, quality, number, as noted by the shop
     */
    record PartMoved(String part, String state, String note) implements Entry {
        public static final String KIND = "part-moved";

        /** @throws IllegalArgumentException if there is no such state */
        public PartMoved {
            if (PartState.find(state).isEmpty()) {
                throw new IllegalArgumentException("Part state " + state);
            }
        }

        @Override
        public String kind() {
            return KIND;
        }
    }

    /** The job is given up: nothing more is done for it here. */
    record JobWithdrawn(String why) implements Entry {
        public static final String KIND = "job-withdrawn";

        @Override
        public String kind() {
            return KIND;
        }
    }

    /** A released vehicle came back with its complaint: the job that follows, and, in that one, the job before. */
    record CameBack(UUID jobId, boolean followsIt) implements Entry {
        public static final String KIND = "came-back";

        @Override
        public String kind() {
            return KIND;
        }
    }

    /**
     * What was seen on a walk round the vehicle, part by part; what is not named was not looked at.
     *
     * @param spots what each part looked like
     */
    record WalkSeen(List<Spot> spots) implements Entry {
        public static final String KIND = "walk-seen";

        /** A part, and dry, damp or wet. */
        public record Spot(String componentId, String state) {

            /** @throws IllegalArgumentException if nothing looks like that */
            public Spot {
                PlacesSeen.State.valueOf(state.toUpperCase(Locale.ROOT));
            }

            /** How it looked. */
            public PlacesSeen.State looked() {
                return PlacesSeen.State.valueOf(state.toUpperCase(Locale.ROOT));
            }
        }

        public WalkSeen {
            spots = List.copyOf(spots);
        }

        @Override
        public String kind() {
            return KIND;
        }
    }

    /**
     * A picture was taken.
     *
     * @param sha256 digest by which it is kept
     * @param caption what it shows; empty where nobody said
     * @param procedureId the test during which it was taken; empty where it was none
     */
    record PhotoTaken(String sha256, String caption, String procedureId) implements Entry {
        public static final String KIND = "photo-taken";

        @Override
        public String kind() {
            return KIND;
        }
    }

    /**
     * What an instrument wrote down while a test was done.
     *
     * @param readingId the reading that was taken from it
     * @param instrument what it is called
     * @param unit of the values
     * @param fromSeconds when the first value stood, counted from the press
     * @param values at even steps of {@code stepSeconds}
     */
    record TraceKept(
            String readingId,
            String procedureId,
            String instrument,
            String unit,
            double fromSeconds,
            double stepSeconds,
            List<Double> values)
            implements Entry {
        public static final String KIND = "trace-kept";

        /** @throws IllegalArgumentException if the reading has no id */
        public TraceKept {
            UUID.fromString(readingId);
            values = List.copyOf(values);
        }

        @Override
        public String kind() {
            return KIND;
        }
    }

    /**
     * A result of the bench was noted.
     *
     * @param inputs as typed; what is not there stood at the layout's figure
     * @param outputs in core units, as calculated at that moment
     * @param notices what was said with them
     */
    record NoteWritten(
            String text, String calculatorId, List<NotedInput> inputs, List<NotedOutput> outputs, List<String> notices)
            implements Entry {
        public static final String KIND = "note-written";

        public NoteWritten {
            inputs = List.copyOf(inputs);
            outputs = List.copyOf(outputs);
            notices = List.copyOf(notices);
        }

        /** One input as typed; no unit where it has none. */
        public record NotedInput(String id, String text, String unit) {

            public NotedInput {
                unit = unit == null ? "" : unit;
            }
        }

        /** One output. */
        public record NotedOutput(String id, String unit, double value, double sd) {}

        @Override
        public String kind() {
            return KIND;
        }
    }

    /**
     * Which vehicle it was, whose, and its pictures were erased on request; who did it is who entered this.
     *
     * @param pictures how many
     */
    record DataErased(int pictures, String why) implements Entry {
        public static final String KIND = "data-erased";
        /** Stands where something was erased. */
        public static final String INSTEAD = "(erased)";

        @Override
        public String kind() {
            return KIND;
        }
    }
}
