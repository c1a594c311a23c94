package overturn.bench.hidden;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.function.Function;
import java.util.stream.IntStream;
import me.tongfei.progressbar.ProgressBar;
import me.tongfei.progressbar.ProgressBarBuilder;
import me.tongfei.progressbar.ProgressBarStyle;
import overturn.circuit.Family;
import overturn.forecast.LayoutModel;
import overturn.layoutfile.LayoutFile;
import overturn.layoutfile.Presets;
import overturn.planning.Prices;
import overturn.planning.Workshop;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tools.jackson.databind.json.JsonMapper;

/** {@code ./overturn bench}: hidden faults through the planner and its baselines. */
@Command(
        name = "overturn bench",
        mixinStandardHelpOptions = true,
        description = "Hidden faults through the planner and four baselines, side by side.")
public final class HiddenFaults implements Callable<Integer> {

    private static final int LEAST_VEHICLES = 24;
    private static final int EXTRA_SHARE = 8;

    @Option(
            names = "--vehicles",
            defaultValue = "3000",
            description =
                    "How many vehicles all policies are given (${DEFAULT-VALUE}); an eighth more per further stratum.")
    private int vehicles;

    @Option(
            names = "--seed",
            defaultValue = "1",
            description = "Seed of the vehicles and the noise (${DEFAULT-VALUE}).")
    private long seed;

    @Option(
            names = "--family",
            description =
                    "Only presets of this family: vacuum-brake, unassisted-brake, hydraulic-brake, pedal-clutch, concentric-clutch, lever-brake, lever-clutch.")
    private String family;

    @Option(
            names = "--trust",
            description =
                    "Only the planner on single faults and sound vehicles (five to one): whether what it says can be trusted. So too with --world other.")
    private boolean trust;

    private static final String OWN = "own";
    private static final String OTHER = "other";

    @Option(
            names = "--world",
            defaultValue = OWN,
            description =
                    "Vehicles of the simulator that differ from the model (own), or of the second world, of another structure (other).")
    private String kind;

    @Option(names = "--json", description = "Print one JSON object; the report for people goes to the standard error.")
    private boolean json;

    @Option(
            names = "--bound",
            description =
                    "Only what could be right at all: every test of the catalogue read, once before the first repair and after each.")
    private boolean bound;

    @Option(
            names = "--read-by",
            defaultValue = "EYE",
            description = "How holds are read: EYE (by eye, hand and tape) or INSTRUMENT (from simulated instruments).")
    private ReadBy readBy;

    @Option(
            names = "--evenly",
            description =
                    "With --world other: each fault as often as any other, and every vehicle that was lost with its tests.")
    private boolean evenly;

    /** Runs the command; the exit code is 2 for a wrong option. */
    public static void main(String[] arguments) {
        System.exit(new CommandLine(new HiddenFaults()).execute(arguments));
    }

    @Override
    public Integer call() {
        if (vehicles < LEAST_VEHICLES) {
            throw wrong("--vehicles " + vehicles + ": at least " + LEAST_VEHICLES);
        }
        List<LayoutFile> files = Presets.files().stream()
                .filter(f -> family == null || f.family().id().equals(family))
                .toList();
        if (files.isEmpty()) {
            throw wrong("--family " + family + ": one of "
                    + Arrays.stream(Family.values()).map(Family::id).toList());
        }
        if (!List.of(OWN, OTHER).contains(kind)) {
            throw wrong("--world " + kind + ": own or other");
        }
        if (evenly && !kind.equals(OTHER)) {
            throw wrong("--evenly: only with --world other");
        }
        trust |= kind.equals(OTHER);
        long from = System.nanoTime();
        List<Outcome> outcomes = run(files);
        if (trust) {
            TrustFigures figures = TrustFigures.of(outcomes);
            print(
                    figures,
                    figures.text()
                            + new ReportText(outcomes).lost()
                            + (evenly ? new ReportText(outcomes).bySuspect() : ""));
            return 0;
        }
        if (bound) {
            print(Bound.of(vehicles, seed, outcomes), new ReportText(outcomes).bound(vehicles, seed));
            return 0;
        }
        Report report = Report.of(vehicles, seed, outcomes, ReducedProblems.excess(models, Prices.DEFAULT, seed));
        print(report, new ReportText(outcomes).text(report, (System.nanoTime() - from) / 1e9));
        return 0;
    }

    private void print(Record figures, String text) {
        if (json) {
            System.err.println(text);
            System.out.println(JsonMapper.builder().build().writeValueAsString(figures));
        } else {
            System.out.println(text);
        }
    }

    private CommandLine.ParameterException wrong(String message) {
        return new CommandLine.ParameterException(new CommandLine(this), message);
    }

    private final List<LayoutModel> models = new ArrayList<>();

    private List<Outcome> run(List<LayoutFile> files) {
        List<Plan> plans = plans(files.size()).stream()
                .sorted(Comparator.comparing(Plan::world))
                .toList();
        ExecutorService threads =
                Executors.newFixedThreadPool(Runtime.getRuntime().availableProcessors());
        try (ProgressBar bar = bar(plans.size() + files.size())) {
            List<World> worlds = each(threads, bar, files, file -> {
                World world = evenly
                        ? World.ofEvenFaults(file, seed, readBy)
                        : new World(file, seed, kind.equals(OTHER), readBy);
                world.warmUp();
                return world;
            });
            worlds.forEach(world -> models.add(world.model(Stratum.SINGLE)));
            return each(threads, bar, plans, plan -> outcomes(worlds.get(plan.world), plan)).stream()
                    .flatMap(List::stream)
                    .toList();
        } finally {
            threads.shutdownNow();
        }
    }

    /** Whoever is free takes the next, since some take ten times as long as others. */
    private static <T, R> List<R> each(ExecutorService threads, ProgressBar bar, List<T> all, Function<T, R> work) {
        List<Future<R>> under = all.stream()
                .map(one -> threads.submit(() -> {
                    R done = work.apply(one);
                    bar.step();
                    return done;
                }))
                .toList();
        return under.stream().map(HiddenFaults::result).toList();
    }

    private static <R> R result(Future<R> future) {
        try {
            return future.get();
        } catch (ExecutionException failed) {
            throw new IllegalStateException(failed.getCause());
        } catch (InterruptedException stopped) {
            throw new IllegalStateException(stopped);
        }
    }

    private List<Outcome> outcomes(World world, Plan plan) {
        Trial trial = new Trial(world.model(plan.stratum), world.draw(plan.stratum, plan.seed), Workshop.WELL_EQUIPPED);
        List<Policy> policies = trust
                ? List.of(Policy.OVERTURN)
                : bound
                        ? List.of(Policy.EVERYTHING)
                        : plan.stratum.compared() ? Policy.COMPARED : List.of(Policy.OVERTURN);
        return policies.stream().map(trial::of).toList();
    }

    private record Plan(int world, Stratum stratum, long seed) {}

    /** Two thirds singles, a sixth pairs, a sixth sound; and an eighth more of each further stratum. */
    private List<Plan> plans(int worlds) {
        List<Plan> all = new ArrayList<>();
        if (trust) {
            IntStream.range(0, vehicles)
                    .forEach(i -> all.add(plan(i, worlds, i % 6 == 5 ? Stratum.SOUND : Stratum.SINGLE)));
            return all;
        }
        IntStream.range(0, vehicles)
                .forEach(i -> all.add(
                        plan(i, worlds, i % 6 == 4 ? Stratum.PAIR : i % 6 == 5 ? Stratum.SOUND : Stratum.SINGLE)));
        for (Stratum stratum : List.of(Stratum.ROUGH, Stratum.INTERMITTENT, Stratum.UNLISTED)) {
            IntStream.range(0, vehicles / EXTRA_SHARE).forEach(i -> all.add(plan(i, worlds, stratum)));
        }
        return all;
    }

    private Plan plan(int i, int worlds, Stratum stratum) {
        return new Plan(i / 6 % worlds, stratum, seed * 1_000_003 + stratum.ordinal() * 100_000_007L + i);
    }

    private ProgressBar bar(int steps) {
        return new ProgressBarBuilder()
                .setTaskName("Vehicles")
                .setInitialMax(steps)
                .setStyle(ProgressBarStyle.ASCII)
                .setConsumer(new me.tongfei.progressbar.ConsoleProgressBarConsumer(System.err))
                .build();
    }

    /** What is reached with every test read, per cent of each stratum. */
    record Bound(int vehicles, long seed, Map<String, Double> reachedPct) {

        static Bound of(int vehicles, long seed, List<Outcome> outcomes) {
            Map<String, Double> reached = new LinkedHashMap<>();
            for (Stratum stratum : Stratum.values()) {
                reached.put(
                        stratum.id(), PolicyFigures.share(PolicyFigures.only(outcomes, stratum), PolicyFigures::found));
            }
            return new Bound(vehicles, seed, reached);
        }
    }

    /** Everything one run found. */
    record Report(
            int vehicles,
            long seed,
            Map<String, PolicyFigures> policies,
            ReducedProblems.Excess exact,
            Planning planningMillis) {

        /** Time to weigh beliefs and tests after a reading. */
        record Planning(double first, double p50, double p95) {}

        static Report of(int vehicles, long seed, List<Outcome> outcomes, ReducedProblems.Excess exact) {
            Map<String, PolicyFigures> policies = new LinkedHashMap<>();
            for (Policy policy : Policy.COMPARED) {
                policies.put(
                        policy.id(),
                        PolicyFigures.of(outcomes.stream()
                                .filter(o -> o.policy() == policy)
                                .toList()));
            }
            List<Outcome> own = outcomes.stream()
                    .filter(o ->
                            o.policy() == Policy.OVERTURN && !o.planningMillis().isEmpty())
                    .toList();
            double[] all = own.stream()
                    .flatMap(o -> o.planningMillis().stream())
                    .mapToDouble(Double::doubleValue)
                    .sorted()
                    .toArray();
            double first = own.stream()
                    .mapToDouble(o -> o.planningMillis().get(0))
                    .average()
                    .orElse(0);
            return new Report(
                    vehicles,
                    seed,
                    policies,
                    exact,
                    new Planning(
                            PolicyFigures.tenth(first),
                            PolicyFigures.tenth(all[all.length / 2]),
                            PolicyFigures.tenth(all[all.length * 95 / 100])));
        }
    }
}
