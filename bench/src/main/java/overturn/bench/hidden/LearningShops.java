package overturn.bench.hidden;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import java.util.stream.IntStream;
import me.tongfei.progressbar.ProgressBar;
import overturn.inference.Frequencies;
import overturn.layoutfile.LayoutFile;
import overturn.layoutfile.Presets;
import overturn.learning.ClosedJob;
import overturn.learning.LearnedCounts;
import overturn.learning.LearnedMinutes;
import overturn.planning.Workshop;
import overturn.verdict.Grade;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/**
 * {@code ./overturn bench learning}: simulated shops of the second world whose faults are two to five times as frequent
 * or as rare as the program ships them; what their closed jobs are worth on later vehicles.
 */
@Command(
        name = "overturn bench learning",
        mixinStandardHelpOptions = true,
        description = "What closed jobs are worth on later vehicles, in shops whose frequencies differ.")
public final class LearningShops implements Callable<Integer> {

    private static final int[] LOOKED_AT = {0, 50, 200, 1000};
    /** Jobs after which a shop counts anew while it goes on. */
    private static final int BATCH = 50;

    private static final int SIXTH = 6;
    /** Number of the first later vehicle, behind all closed jobs. */
    private static final int FIRST_LATER = 1_000_000;

    @Option(names = "--shops", defaultValue = "2", description = "Shops (${DEFAULT-VALUE}).")
    private int shops;

    @Option(names = "--later", defaultValue = "180", description = "Later vehicles of each shop (${DEFAULT-VALUE}).")
    private int later;

    @Option(names = "--layout", defaultValue = "pellow-saloon", description = "Circuit (${DEFAULT-VALUE}).")
    private String layoutId;

    @Option(names = "--seed", defaultValue = "1", description = "Seed (${DEFAULT-VALUE}).")
    private long seed;

    @Option(
            names = "--minutes",
            description = "What minutes are worth that were learned, in shops whose tests take half to twice as long.")
    private boolean minutes;

    /** How much the tests of a shop differ from their estimates, and one time from the next: logarithms; chosen. */
    private static final double TESTS_DIFFER = 0.6;

    private static final double TIMES_DIFFER = 0.4;

    private LearningShops() {}

    public static void main(String[] arguments) {
        System.exit(new CommandLine(new LearningShops()).execute(arguments));
    }

    /** What is counted of the same jobs. */
    private enum Counting {
        NOTHING,
        /** Every job by its shares. */
        SHARES,
        /** A shop that gives up what it cannot prove; every job by its shares. */
        SHARES_PROVING_EASY,
        /** The same shop, only what was proven, each as one. */
        ONLY_PROVEN
    }

    /** What was counted of how many jobs. */
    private record Row(Counting counting, int jobs) implements Comparable<Row> {

        @Override
        public int compareTo(Row other) {
            return Comparator.comparing(Row::counting)
                    .thenComparingInt(Row::jobs)
                    .compare(this, other);
        }
    }

    @Override
    public Integer call() {
        LayoutFile file = Presets.files().stream()
                .filter(f -> f.id().equals(layoutId))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("There is no layout " + layoutId));
        if (minutes) {
            minutes(file);
            return 0;
        }
        Map<Row, List<Outcome>> found = new TreeMap<>();
        Map<Row, Double> off = new HashMap<>();
        for (int shop = 0; shop < shops; shop++) {
            World world = World.ofShop(file, seed * 1000 + shop);
            world.warmUp();
            List<Outcome> jobs = closedJobs(world, shop);
            for (Counting counting : Counting.values()) {
                for (int count : LOOKED_AT) {
                    if ((count == 0) == (counting == Counting.NOTHING)) {
                        Map<String, Double> counts = counts(jobs.subList(0, count), counting);
                        Row row = new Row(counting, count);
                        off.merge(row, off(world, counts) / shops, Double::sum);
                        found.computeIfAbsent(row, r -> new ArrayList<>()).addAll(later(world, shop, counts));
                    }
                }
            }
        }
        System.out.println(
                "| counted | jobs | right | proven | wrong parts per 100 | cost, min | gap, points | frequencies off |");
        System.out.println("| --- | --- | --- | --- | --- | --- | --- | --- |");
        found.forEach((row, outcomes) -> System.out.println(row(row, outcomes, off.get(row))));
        return 0;
    }

    /** The same later vehicles by the estimates, by what so many jobs have timed, and by what tests take in truth. */
    private void minutes(LayoutFile file) {
        Map<String, List<Outcome>> found = new LinkedHashMap<>();
        for (int shop = 0; shop < shops; shop++) {
            World world = World.ofShop(file, seed * 1000 + shop);
            world.warmUp();
            SplittableRandom random = new SplittableRandom(seed * 1000 + shop);
            Map<String, Double> truth = new TreeMap<>();
            world.model(Stratum.SINGLE)
                    .procedures()
                    .all()
                    .forEach(test -> truth.put(test.id(), Math.exp(TESTS_DIFFER * random.nextGaussian())));
            Workshop real = Workshop.WELL_EQUIPPED.taking(truth);
            int shopNumber = shop;
            Map<String, Double> told = Map.of();
            List<Outcome> jobs = new ArrayList<>();
            for (int count : LOOKED_AT) {
                while (jobs.size() < count) {
                    int from = jobs.size();
                    Workshop known = Workshop.WELL_EQUIPPED.taking(told);
                    jobs.addAll(IntStream.range(from, from + BATCH)
                            .parallel()
                            .mapToObj(i -> driven(world, seedOf(shopNumber, i), i, known, real))
                            .toList());
                    told = learned(jobs, truth, random);
                }
                found.computeIfAbsent("timed in " + count + " jobs", row -> new ArrayList<>())
                        .addAll(later(world, shop, told, real));
            }
            found.computeIfAbsent("as they are", row -> new ArrayList<>()).addAll(later(world, shop, truth, real));
        }
        System.out.println(
                "| minutes of tests | right | proven | wrong parts per 100 | cost, min | of it to the verdict |");
        System.out.println("| --- | --- | --- | --- | --- | --- |");
        found.forEach((row, outcomes) -> {
            TrustFigures trust = TrustFigures.of(outcomes);
            System.out.printf(
                    Locale.ROOT,
                    "| %s | %.1f | %.1f | %.1f | %.1f | %.1f |%n",
                    row,
                    trust.right(),
                    trust.proven(),
                    trust.wrongParts(),
                    outcomes.stream().mapToDouble(Outcome::costToCure).average().orElse(0),
                    outcomes.stream().mapToDouble(Outcome::minutes).average().orElse(0));
        });
    }

    private List<Outcome> later(World world, int shop, Map<String, Double> told, Workshop real) {
        Workshop known = Workshop.WELL_EQUIPPED.taking(told);
        return IntStream.range(FIRST_LATER, FIRST_LATER + later)
                .parallel()
                .mapToObj(i -> driven(world, seedOf(shop, i), i, known, real))
                .toList();
    }

    /** What the tests of these jobs were timed at, one time unlike the next. */
    private static Map<String, Double> learned(List<Outcome> jobs, Map<String, Double> truth, SplittableRandom random) {
        Map<String, List<Double>> logs = new TreeMap<>();
        for (Outcome job : jobs) {
            for (String id : job.path()) {
                String test = id.split("#")[0];
                if (truth.containsKey(test)) {
                    logs.computeIfAbsent(test, key -> new ArrayList<>())
                            .add(Math.log(truth.get(test)) + TIMES_DIFFER * random.nextGaussian());
                }
            }
        }
        return LearnedMinutes.of(logs.entrySet().stream()
                        .map(e -> new LearnedMinutes.Timed(
                                e.getKey(),
                                e.getValue().size(),
                                e.getValue().size(),
                                e.getValue().stream()
                                        .mapToDouble(log -> log)
                                        .average()
                                        .orElse(0)))
                        .toList())
                .factors();
    }

    private static String row(Row row, List<Outcome> outcomes, double off) {
        TrustFigures trust = TrustFigures.of(outcomes);
        return String.format(
                Locale.ROOT,
                "| %s | %d | %.1f | %.1f | %.1f | %.0f | %.1f | %.2f |",
                row.counting().name().toLowerCase(Locale.ROOT).replace('_', ' '),
                row.jobs(),
                trust.right(),
                trust.proven(),
                trust.wrongParts(),
                outcomes.stream().mapToDouble(Outcome::costToCure).average().orElse(0),
                trust.calibrationGap(),
                off);
    }

    /** A shop goes on for as many jobs as are looked at, and counts those that are closed as it goes. */
    private List<Outcome> closedJobs(World world, int shop) {
        int most = LOOKED_AT[LOOKED_AT.length - 1];
        List<Outcome> jobs = new ArrayList<>();
        try (ProgressBar bar = new ProgressBar("Closed jobs of shop " + (shop + 1), most)) {
            while (jobs.size() < most) {
                Map<String, Double> counts = counts(jobs, Counting.SHARES);
                int from = jobs.size();
                jobs.addAll(IntStream.range(from, from + BATCH)
                        .parallel()
                        .mapToObj(i -> driven(world, seedOf(shop, i), i, counts))
                        .toList());
                bar.stepTo(jobs.size());
            }
        }
        return jobs;
    }

    private List<Outcome> later(World world, int shop, Map<String, Double> counts) {
        return IntStream.range(FIRST_LATER, FIRST_LATER + later)
                .parallel()
                .mapToObj(i -> driven(world, seedOf(shop, i), i, counts))
                .toList();
    }

    private long seedOf(int shop, int job) {
        return (seed * 1000 + shop) * 10_000_019L + job;
    }

    /** Two thirds singles, a sixth pairs, a sixth sound. */
    private static Outcome driven(World world, long seed, int number, Map<String, Double> counts) {
        Stratum stratum = stratum(number);
        Case vehicle = world.draw(stratum, seed).whereClosedJobsSay(counts);
        return new Trial(world.model(stratum), vehicle, Workshop.WELL_EQUIPPED).of(Policy.OVERTURN);
    }

    private static Outcome driven(World world, long seed, int number, Workshop known, Workshop real) {
        Stratum stratum = stratum(number);
        return new Trial(world.model(stratum), world.draw(stratum, seed), known, real).of(Policy.OVERTURN);
    }

    private static Stratum stratum(int number) {
        return number % SIXTH == 4 ? Stratum.PAIR : number % SIXTH == 5 ? Stratum.SOUND : Stratum.SINGLE;
    }

    private static double off(World world, Map<String, Double> counts) {
        return world.frequenciesOff(Frequencies.of(world.model(Stratum.SINGLE).suspects(), counts));
    }

    private static Map<String, Double> counts(List<Outcome> jobs, Counting counting) {
        return LearnedCounts.of(jobs.stream()
                        .map(job -> switch (counting) {
                            case NOTHING -> Map.<String, Double>of();
                            case SHARES -> job.causes();
                            case SHARES_PROVING_EASY -> job.grade() == Grade.PROVEN ? job.causes() : job.believed();
                            case ONLY_PROVEN -> provenAlone(job);
                        })
                        .map(shares -> new ClosedJob(shares, 0))
                        .toList())
                .counts();
    }

    /** The leading suspect of a proven verdict, as one. */
    private static Map<String, Double> provenAlone(Outcome job) {
        return job.grade() != Grade.PROVEN
                ? Map.of()
                : job.causes().entrySet().stream()
                        .max(Map.Entry.comparingByValue())
                        .map(most -> Map.of(most.getKey(), 1.0))
                        .orElse(Map.of());
    }
}
