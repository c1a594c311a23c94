package overturn.bench.hidden;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.stream.IntStream;
import me.tongfei.progressbar.ProgressBar;
import overturn.forecast.Hypothesis;
import overturn.forecast.LayoutModel;
import overturn.forecast.Predictions;
import overturn.layoutfile.LayoutFile;
import overturn.layoutfile.Presets;
import overturn.procedure.Procedure;
import overturn.suspect.Repaired;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/**
 * {@code ./overturn bench tests}: vehicles of the second world are read by every test, and what each reading says for
 * the fault that is there, against nothing wrong, is told in nats. Where that is below nothing on average, one of the
 * two worlds has a law that the other has not.
 */
@Command(
        name = "overturn bench tests",
        mixinStandardHelpOptions = true,
        description = "What each test says for the fault that is there; the pairs that speak against it first.")
public final class WhatTestsSay implements Callable<Integer> {

    /** A single reading counts no more than this, so that one slip does not speak for a pair; chosen. */
    private static final double MOST_NATS = 6;

    @Option(names = "--vehicles", defaultValue = "56", description = "Vehicles of each layout (${DEFAULT-VALUE}).")
    private int vehicles;

    @Option(names = "--layout", defaultValue = "", description = "One layout only; all where it is left out.")
    private String layoutId;

    @Option(
            names = "--least",
            defaultValue = "4",
            description = "Readings from which a pair is told (${DEFAULT-VALUE}).")
    private int least;

    @Option(names = "--most", defaultValue = "40", description = "Pairs that are told (${DEFAULT-VALUE}).")
    private int most;

    @Option(names = "--seed", defaultValue = "1", description = "Seed (${DEFAULT-VALUE}).")
    private long seed;

    private WhatTestsSay() {}

    public static void main(String[] arguments) {
        System.exit(new CommandLine(new WhatTestsSay()).execute(arguments));
    }

    /** A suspect and a test. */
    record Pair(String suspectId, String procedureId) implements Comparable<Pair> {

        @Override
        public int compareTo(Pair other) {
            return Comparator.comparing(Pair::suspectId)
                    .thenComparing(Pair::procedureId)
                    .compare(this, other);
        }
    }

    @Override
    public Integer call() {
        List<LayoutFile> files = Presets.files().stream()
                .filter(file -> layoutId.isEmpty() || file.id().equals(layoutId))
                .toList();
        if (files.isEmpty()) {
            throw new CommandLine.ParameterException(new CommandLine(this), "There is no layout " + layoutId);
        }
        Map<Pair, ConcurrentLinkedQueue<Double>> nats = new ConcurrentHashMap<>();
        for (LayoutFile file : ProgressBar.wrap(files, "Layouts")) {
            said(file, seed, vehicles)
                    .forEach((pair, said) -> nats.computeIfAbsent(pair, p -> new ConcurrentLinkedQueue<>())
                            .addAll(said));
        }
        System.out.printf(Locale.ROOT, "%-28s %-26s %8s %6s %6s%n", "suspect", "test", "readings", "mean", "least");
        nats.entrySet().stream()
                .filter(pair -> pair.getValue().size() >= least)
                .sorted(Comparator.comparingDouble(pair -> mean(pair.getValue())))
                .limit(most)
                .forEach(pair -> System.out.printf(
                        Locale.ROOT,
                        "%-28s %-26s %8d %6.2f %6.2f%n",
                        pair.getKey().suspectId(),
                        pair.getKey().procedureId(),
                        pair.getValue().size(),
                        mean(pair.getValue()),
                        pair.getValue().stream().mapToDouble(n -> n).min().orElse(0)));
        return 0;
    }

    private static double mean(Iterable<Double> nats) {
        double sum = 0;
        int count = 0;
        for (double said : nats) {
            sum += said;
            count++;
        }
        return sum / count;
    }

    /** By suspect and test, what the readings of some vehicles say for the suspect against nothing wrong, nats. */
    static Map<Pair, List<Double>> said(LayoutFile file, long seed, int vehicles) {
        World world = World.ofEvenFaults(file, seed, ReadBy.EYE);
        LayoutModel model = world.model(Stratum.SINGLE);
        Map<Pair, ConcurrentLinkedQueue<Double>> nats = new ConcurrentHashMap<>();
        IntStream.range(0, vehicles)
                .parallel()
                .mapToObj(vehicle -> world.draw(Stratum.SINGLE, seed * 1_000_003 + vehicle))
                .forEach(hidden -> model.procedures().all().forEach(test -> {
                    String suspect = hidden.causes.get(0).id();
                    double[] encoded = model.predictions(test)
                            .encode(hidden.take(test, 0, Repaired.NONE)
                                    .reading()
                                    .value());
                    if (encoded.length > 0) {
                        nats.computeIfAbsent(new Pair(suspect, test.id()), p -> new ConcurrentLinkedQueue<>())
                                .add(nats(model, test, encoded, model.indexOf(suspect)));
                    }
                }));
        Map<Pair, List<Double>> told = new TreeMap<>();
        nats.forEach((pair, said) -> told.put(pair, List.copyOf(said)));
        return told;
    }

    private static double nats(LayoutModel model, Procedure test, double[] encoded, int suspect) {
        double said = logMean(model, test, encoded, suspect) - logMean(model, test, encoded, model.sound());
        return Math.max(-MOST_NATS, Math.min(MOST_NATS, said));
    }

    private static double logMean(LayoutModel model, Procedure test, double[] encoded, int suspect) {
        Predictions predictions = model.predictions(test);
        double[] logs = predictions.logLikelihoods(encoded, Hypothesis.single(suspect), 0, 1);
        double most = Arrays.stream(logs).max().orElseThrow();
        return most
                + Math.log(Arrays.stream(logs)
                        .map(log -> Math.exp(log - most))
                        .average()
                        .orElseThrow());
    }
}
