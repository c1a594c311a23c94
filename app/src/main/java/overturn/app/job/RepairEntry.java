package overturn.app.job;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import overturn.bleeding.BleedEvent;
import overturn.bleeding.Schools;
import overturn.proving.Proving;

/** Entries of the half of a job after its verdict: work, bleeding, proving, release. */
public sealed interface RepairEntry extends Entry {

    /**
     * A step of the work plan was done.
     *
     * @param key of the step in its plan
     * @param measured figures that it asked for, as typed
     * @param why why a figure that differs was taken; empty where none does
     */
    record WorkStepDone(String key, List<Measured> measured, String why) implements RepairEntry {
        public static final String KIND = "work-step-done";

        /** One figure; {@code value} in the core's unit. */
        public record Measured(String id, String text, String unit, double value) {}

        public WorkStepDone {
            measured = List.copyOf(measured);
        }

        @Override
        public String kind() {
            return KIND;
        }
    }

    /** Strokes at one end, and what the last of them showed: many, few or none; dark or clear. */
    record StrokesBled(String endId, int count, String bubbles, String colour) implements RepairEntry {
        public static final String KIND = "strokes-bled";

        /** @throws IllegalArgumentException if there is no such amount of bubbles or colour */
        public StrokesBled {
            BleedEvent.Bubbles.valueOf(bubbles.toUpperCase(Locale.ROOT));
            BleedEvent.Colour.valueOf(colour.toUpperCase(Locale.ROOT));
        }

        /** How many bubbles came. */
        public BleedEvent.Bubbles seen() {
            return BleedEvent.Bubbles.valueOf(bubbles.toUpperCase(Locale.ROOT));
        }

        /** What the fluid that came looked like. */
        public BleedEvent.Colour coloured() {
            return BleedEvent.Colour.valueOf(colour.toUpperCase(Locale.ROOT));
        }

        /** As the bleed sheet takes it. */
        public BleedEvent.Strokes by(Schools.Method method) {
            return new BleedEvent.Strokes(endId, count, seen(), coloured(), method);
        }

        @Override
        public String kind() {
            return KIND;
        }
    }

    /** What the can says that this circuit is filled from: its kind and its grade. */
    record FluidTaken(String fluid, String grade) implements RepairEntry {
        public static final String KIND = "fluid-taken";

        @Override
        public String kind() {
            return KIND;
        }
    }

    /** The level was read or filled to, mL above the minimum mark. */
    record LevelEntered(String text, String unit, double aboveMinimumMl) implements RepairEntry {
        public static final String KIND = "level-entered";

        @Override
        public String kind() {
            return KIND;
        }
    }

    /**
     * This vehicle is bled by another method or in another order from here on.
     *
     * @param makersOrder ids of the ends as the maker gives them; empty where the workshop's order is kept
     * @param source where the maker gives them; empty with no order of the maker's
     */
    record BleedingChosen(Bleeding bleeding, List<String> makersOrder, String source) implements RepairEntry {
        public static final String KIND = "bleeding-chosen";

        public BleedingChosen {
            makersOrder = List.copyOf(makersOrder);
        }

        @Override
        public String kind() {
            return KIND;
        }
    }

    /**
     * Some of the plan is done another way from here on.
     *
     * @param school stable id of the school
     * @param way stable id of its way
     */
    record WayChosen(String school, String way) implements RepairEntry {
        public static final String KIND = "way-chosen";

        @Override
        public String kind() {
            return KIND;
        }
    }

    /** The circuit was left alone for ten minutes or more. */
    record CircuitRested() implements RepairEntry {
        public static final String KIND = "circuit-rested";

        @Override
        public String kind() {
            return KIND;
        }
    }

    /**
     * A check of a gate was done: passed or failed, and what was seen.
     *
     * @param readingId of a check that is a measurement, the entry of the reading that was judged; empty for a look
     * @param early whether it is one of the next day that was done before a night or the set distance was over: then it
     *     is told, with the reason in {@code seen}, and does not count
     * @param drivenKm how far the vehicle was driven since its release, km; 0 where that was not told
     * @param judged each figure of the reading, core unit, and between what it had to lie
     */
    record CheckDone(
            String checkId,
            String outcome,
            String seen,
            String readingId,
            boolean early,
            int drivenKm,
            List<Judged> judged)
            implements RepairEntry {
        public static final String KIND = "check-done";

        /** One that was looked at. */
        public static CheckDone looked(String checkId, String outcome, String seen) {
            return new CheckDone(checkId, outcome, seen, "", false, 0, List.of());
        }

        /** @throws IllegalArgumentException if it neither passed nor failed, or names a reading by no id */
        public CheckDone {
            if (!readingId.isEmpty()) {
                UUID.fromString(readingId);
            }
            judged = List.copyOf(judged);
            Proving.Outcome.valueOf(outcome.toUpperCase(Locale.ROOT));
        }

        /** A figure of a measurement as it was judged. */
        public record Judged(String figureId, double value, double least, double most) {}

        /** As the gates take it. */
        public Proving.Outcome result() {
            return Proving.Outcome.valueOf(outcome.toUpperCase(Locale.ROOT));
        }

        @Override
        public String kind() {
            return KIND;
        }
    }

    /** Another person than the one who releases looked at what was checked, and says so. */
    record SecondChecked() implements RepairEntry {
        public static final String KIND = "second-checked";

        @Override
        public String kind() {
            return KIND;
        }
    }

    /**
     * The vehicle was released.
     *
     * @param conditional whether it has to come back for the next-day checks
     * @param recheckOn day of those, ISO 8601; empty where it is final
     * @param secondId the second person who checked; empty where none was asked
     * @param byEarlierGates whether it was let through by the gates of an earlier version, which asked less and took
     *     looks for measurements
     */
    record JobReleased(boolean conditional, String recheckOn, String secondId, boolean byEarlierGates)
            implements RepairEntry {
        public static final String KIND = "job-released";

        /** @throws DateTimeException if the day of the re-check is none */
        public JobReleased {
            if (!recheckOn.isEmpty()) {
                LocalDate.parse(recheckOn);
            }
        }

        /** One that is signed now. */
        public static JobReleased now(boolean conditional, String recheckOn, String secondId) {
            return new JobReleased(conditional, recheckOn, secondId, false);
        }

        @Override
        public String kind() {
            return KIND;
        }
    }
}
