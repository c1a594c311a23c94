package overturn.instrument;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;

/**
 * One quantity against time, as an instrument or a logger wrote it down.
 *
 * @param samples in order of time, at least two
 */
public record Trace(List<Sample> samples) {

    /** Samples of one trace, three minutes at a thousand a second; chosen. */
    public static final int MOST_SAMPLES = 200_000;
    /** Between samples further apart an instrument dropped out, s; chosen. */
    static final double DROP_OUT_SECONDS = 1.5;
    /** How long a press is looked at to find the quickest rise, s; a person presses within 0.3 to 1.2 s; estimate. */
    private static final double RISE_SECONDS = 0.4;
    /** A rise slower than this share of the quickest is no press any more; chosen. */
    private static final double STILL_PRESSED = 0.1;
    /** How finely the press is looked for, s; chosen. */
    private static final double LOOK_SECONDS = 0.1;

    /** A value at a time, s. */
    public record Sample(double seconds, double value) {}

    /** What stood a while after the press, counted from what stood before it. */
    public record Mark(int second, double value) {}

    /** @throws IllegalArgumentException if it is no trace: its message says what one is */
    public Trace {
        samples = List.copyOf(samples);
        if (samples.size() < 2 || samples.size() > MOST_SAMPLES) {
            throw new IllegalArgumentException("2 to " + MOST_SAMPLES + " samples");
        }
        for (int i = 0; i < samples.size(); i++) {
            Sample sample = samples.get(i);
            if (!Double.isFinite(sample.seconds()) || !Double.isFinite(sample.value())) {
                throw new IllegalArgumentException("numbers");
            }
            if (i > 0 && sample.seconds() <= samples.get(i - 1).seconds()) {
                throw new IllegalArgumentException("times that rise");
            }
        }
    }

    /** The value at a time, between its neighbours; none before, after, or while the instrument had dropped out. */
    public OptionalDouble at(double seconds) {
        int low = 0;
        int high = samples.size() - 1;
        if (seconds < samples.get(0).seconds() || seconds > samples.get(high).seconds()) {
            return OptionalDouble.empty();
        }
        while (high - low > 1) {
            int middle = (low + high) / 2;
            if (samples.get(middle).seconds() <= seconds) {
                low = middle;
            } else {
                high = middle;
            }
        }
        Sample before = samples.get(low);
        Sample after = samples.get(high);
        double apart = after.seconds() - before.seconds();
        if (seconds == before.seconds()) {
            return OptionalDouble.of(before.value());
        }
        if (seconds == after.seconds()) {
            return OptionalDouble.of(after.value());
        }
        return apart > DROP_OUT_SECONDS
                ? OptionalDouble.empty()
                : OptionalDouble.of(
                        before.value() + (after.value() - before.value()) * (seconds - before.seconds()) / apart);
    }

    /** When the press was made, s: the quickest rise has ended; empty where nothing rises. */
    public OptionalDouble pressed() {
        double from = samples.get(0).seconds();
        double to = samples.get(samples.size() - 1).seconds();
        double quickest = 0;
        double at = from;
        for (double t = from; t + RISE_SECONDS <= to; t += LOOK_SECONDS) {
            double rise = rise(t);
            if (rise > quickest) {
                quickest = rise;
                at = t;
            }
        }
        if (quickest <= 0) {
            return OptionalDouble.empty();
        }
        double end = at;
        while (end + RISE_SECONDS <= to && rise(end) > STILL_PRESSED * quickest) {
            end += LOOK_SECONDS;
        }
        return OptionalDouble.of(end);
    }

    private double rise(double from) {
        OptionalDouble before = at(from);
        OptionalDouble after = at(from + RISE_SECONDS);
        return before.isPresent() && after.isPresent() ? after.getAsDouble() - before.getAsDouble() : 0;
    }

    /** What stood before the press: the median until a second before its end; the first value where that is nothing. */
    public double atRest() {
        double until = pressed().orElse(Double.NEGATIVE_INFINITY) - 1;
        double[] before = samples.stream()
                .filter(s -> s.seconds() <= until)
                .mapToDouble(Sample::value)
                .sorted()
                .toArray();
        return before.length == 0 ? samples.get(0).value() : before[before.length / 2];
    }

    /** What stood so many seconds after the press, from rest; marks that did not come or dropped out are left out. */
    public List<Mark> marks(int... seconds) {
        List<Mark> marks = new ArrayList<>();
        OptionalDouble pressed = pressed();
        if (pressed.isPresent()) {
            double rest = atRest();
            for (int second : seconds) {
                at(pressed.getAsDouble() + second).ifPresent(value -> marks.add(new Mark(second, value - rest)));
            }
        }
        return marks;
    }
}
