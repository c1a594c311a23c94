package overturn.bench.hidden;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.function.Function;
import java.util.function.ToDoubleBiFunction;
import java.util.random.RandomGenerator;
import java.util.stream.Collectors;
import org.hipparchus.distribution.continuous.NormalDistribution;
import overturn.circuit.Layout;
import overturn.forecast.LayoutModel;
import overturn.inference.Intake;
import overturn.inference.Intake.Age;
import overturn.layoutfile.LayoutFile;
import overturn.layoutfile.LayoutFiles;
import overturn.practice.ComplaintFelt;
import overturn.practice.FaultDraw;
import overturn.practice.HiddenVehicle;
import overturn.procedure.Procedure;
import overturn.protocol.Protocol;
import overturn.protocol.TestVehicle;
import overturn.secondworld.SecondWorldVehicle;
import overturn.simulation.Simulator;
import overturn.simulation.VehicleUnknowns;
import overturn.suspect.Cure;
import overturn.suspect.Fault;
import overturn.suspect.Suspect;
import overturn.suspect.SuspectCatalogue;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * The real vehicles of one preset. They differ from the model: every component's stiffness, clearance, gain and springs
 * on its own and all together, and how frequent each fault is.
 */
final class World {

    private static final Set<String> STIFFNESS = Set.of("softMlPerBar", "firmMlPerBar", "swellMlPerBarPerM");
    private static final Set<String> LOOSE = Set.of(
            "clearancePerPadMm",
            "clearancePerShoeMm",
            "freePlayMm",
            "valveLashMm",
            "portTravelMm",
            "springsN",
            "gain",
            "thresholdN",
            "jumpInN",
            "closedChamberMl");
    /** Share of looks in the second world in which one thing is taken for another. */
    private static final double MISTAKEN_SHARE = 0.02;

    private static final int VARIANTS = 24;
    private static final double COMMON_WIDTH = 0.2;
    private static final double ROUGH_WIDTH = 0.35;
    /** Every component differs from its vehicle by half as much again. */
    private static final double OWN_SHARE = 0.5;

    private static final double FREQUENCY_FACTOR = 2;
    private static final double LEAST_SHOP_FACTOR = 2;
    private static final double MOST_SHOP_FACTOR = 5;
    private static final double DOUBLED_NOISE_SHARE = 0.2;
    private static final double RECENT_WORK_SHARE = 0.25;
    /** Share of the tests in which a fault is there that is felt only sometimes. */
    private static final double LEAST_SHOWN = 0.4;

    private static final double MOST_SHOWN = 0.9;
    private static final double ROUGH_SEVERITY_WIDTH = 2;
    /** Suspects that the model of the unlisted vehicles has never heard of: each with a way of its own. */
    static final Set<String> UNLISTED = Set.of(
            "input-binding",
            "bracket-flexing",
            "drain-back",
            "pad-pushed-back",
            "wrong-ratio",
            "valve-body-sticking",
            "supply-hose-collapsed",
            "fork-worn",
            "lever-bush-worn",
            "air-in-assist",
            "return-restricted",
            "hole-clogged");

    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final NormalDistribution NORMAL = new NormalDistribution();

    private final LayoutModel model;
    private final LayoutModel blind;
    private final List<Simulator> smooth;
    private final List<Simulator> rough;
    private final double[] frequencyFactors;
    private final boolean other;
    private final ReadBy readBy;
    private final Map<Protocol, double[]> dataSheet;

    World(LayoutFile file, long seed) {
        this(file, seed, false);
    }

    /** @param other whether vehicles come from the second world, not from the simulator */
    World(LayoutFile file, long seed, boolean other) {
        this(file, seed, other, ReadBy.EYE);
    }

    World(LayoutFile file, long seed, boolean other, ReadBy readBy) {
        this(
                file,
                seed,
                other,
                readBy,
                (suspect, random) -> Math.exp(Math.log(FREQUENCY_FACTOR) * random.nextGaussian()));
    }

    /** Vehicles of the second world with each fault as often as any other, so that rare ones are counted too. */
    static World ofEvenFaults(LayoutFile file, long seed, ReadBy readBy) {
        return new World(file, seed, true, readBy, (suspect, random) -> 1 / suspect.frequency());
    }

    /**
     * The vehicles of one shop of the second world, each fault two to five times as frequent or as rare as it ships.
     */
    static World ofShop(LayoutFile file, long seed) {
        return new World(file, seed, true, ReadBy.EYE, (suspect, random) -> {
            double factor = LEAST_SHOP_FACTOR * Math.pow(MOST_SHOP_FACTOR / LEAST_SHOP_FACTOR, random.nextDouble());
            return random.nextBoolean() ? factor : 1 / factor;
        });
    }

    private World(
            LayoutFile file,
            long seed,
            boolean other,
            ReadBy readBy,
            ToDoubleBiFunction<Suspect, RandomGenerator> frequencyFactor) {
        this.readBy = readBy;
        this.other = other;
        this.model = LayoutModel.of(file.layout());
        this.dataSheet = ComplaintFelt.dataSheet(model.simulator(), model.procedures());
        this.blind = model.knowing(s -> !UNLISTED.contains(s.id()));
        RandomGenerator random = new SplittableRandom(seed * 31 + file.id().hashCode());
        this.smooth = variants(file, COMMON_WIDTH, random);
        this.rough = variants(file, ROUGH_WIDTH, random);
        this.frequencyFactors = model.suspects().stream()
                .mapToDouble(s -> frequencyFactor.applyAsDouble(s, random))
                .toArray();
    }

    void warmUp() {
        blind.warmUp();
    }

    /** How far a set of shares is from those of this shop, its single faults: half the sum of the differences. */
    double frequenciesOff(double[] shares) {
        int sound = model.indexOf(SuspectCatalogue.NOTHING_WRONG);
        double all = 0;
        double listed = 0;
        for (int s = 0; s < shares.length; s++) {
            if (s != sound) {
                all += model.suspects().get(s).frequency() * frequencyFactors[s];
                listed += shares[s];
            }
        }
        double off = 0;
        for (int s = 0; s < shares.length; s++) {
            if (s != sound) {
                double there = model.suspects().get(s).frequency() * frequencyFactors[s] / all;
                off += Math.abs(there - shares[s] / listed) / 2;
            }
        }
        return off;
    }

    /** What the technician's program knows of a vehicle of this stratum. */
    LayoutModel model(Stratum stratum) {
        return stratum == Stratum.UNLISTED ? blind : model;
    }

    private static List<Simulator> variants(LayoutFile file, double width, RandomGenerator random) {
        List<Simulator> all = new ArrayList<>();
        for (int v = 0; v < VARIANTS; v++) {
            all.add(Simulator.of(varied(file, OWN_SHARE * width, random)));
        }
        return all;
    }

    /** The same circuit with every component a little different; stiffness of one component as a whole. */
    private static Layout varied(LayoutFile file, double width, RandomGenerator random) {
        ObjectNode tree = (ObjectNode) JSON.readTree(LayoutFiles.write(file));
        tree.get("components").forEach(node -> {
            ObjectNode component = (ObjectNode) node;
            double stiffness = evenly(random, width);
            for (String name : List.copyOf(component.propertyNames())) {
                double factor = STIFFNESS.contains(name) ? stiffness : LOOSE.contains(name) ? evenly(random, width) : 1;
                if (factor != 1) {
                    component.put(name, component.get(name).asDouble() * factor);
                }
            }
        });
        return LayoutFiles.read(JSON.writeValueAsString(tree)).layout();
    }

    private static double evenly(RandomGenerator random, double width) {
        return 1 + width * (2 * random.nextDouble() - 1);
    }

    /** Draws a vehicle. */
    Case draw(Stratum stratum, long seed) {
        RandomGenerator random = new SplittableRandom(seed);
        boolean isRough = stratum == Stratum.ROUGH;
        Simulator simulator = (isRough ? rough : smooth).get(random.nextInt(VARIANTS));
        boolean recentWork = random.nextDouble() < RECENT_WORK_SHARE;
        List<Suspect> causes = causes(stratum, recentWork, random);
        Layout layout = other ? model.layout() : simulator.layout();
        double noise = random.nextDouble() < DOUBLED_NOISE_SHARE ? 2 : 1;
        VehicleUnknowns vehicle = vehicle(isRough ? ROUGH_WIDTH : COMMON_WIDTH, random);
        Function<List<Fault>, TestVehicle> made = other
                ? present -> secondWorld(present, seed)
                : present -> HiddenVehicle.simulated(simulator, vehicle, present);
        Map<Suspect, List<Fault>> faults = new LinkedHashMap<>();
        causes.forEach(cause -> faults.put(
                cause, FaultDraw.felt(cause, layout, made, characterise(), () -> severity(isRough, random), random)));
        double shown =
                stratum == Stratum.INTERMITTENT ? LEAST_SHOWN + (MOST_SHOWN - LEAST_SHOWN) * random.nextDouble() : 1;
        Intake intake =
                new Intake(recentWork, Age.UNKNOWN, stratum == Stratum.INTERMITTENT, List.of(), Set.of(), Map.of());
        return new Case(
                stratum,
                layout.id(),
                causes,
                cure(causes),
                faults.values().stream()
                        .flatMap(List::stream)
                        .flatMap(fault -> fault.componentIds().stream())
                        .collect(Collectors.toSet()),
                intake,
                left -> hidden(
                                made.apply(left.stream()
                                        .flatMap(s -> faults.get(s).stream())
                                        .toList()),
                                noise,
                                seed)
                        .intermittent(shown),
                rig -> hidden(made.apply(lie(layout, rig)), noise, seed),
                seed);
    }

    /** Somebody who now and then takes one thing for another looks at a vehicle of the second world. */
    private HiddenVehicle hidden(TestVehicle made, double noise, long seed) {
        HiddenVehicle vehicle =
                HiddenVehicle.of(made, noise).after(characterise()).mistaken(other ? MISTAKEN_SHARE : 0);
        return readBy == ReadBy.EYE ? vehicle : vehicle.withInstruments(seed);
    }

    private TestVehicle secondWorld(List<Fault> present, long seed) {
        return new ComplaintFelt(
                SecondWorldVehicle.of(model.layout(), present, seed),
                SecondWorldVehicle.of(model.layout(), List.of(), seed),
                dataSheet);
    }

    private Procedure characterise() {
        return model.procedures().intake();
    }

    private static Cure cure(List<Suspect> causes) {
        return causes.stream().map(s -> Cure.of(s.remedy())).reduce(Cure::and).orElseThrow();
    }

    /** What a lying rig shows: the same vehicle with another fault, each time. */
    private List<Fault> lie(Layout layout, RandomGenerator random) {
        Suspect another = drawn(model.suspects(), false, random);
        return another.physics().at(severity(false, random), layout, random);
    }

    private static double severity(boolean rough, RandomGenerator random) {
        double quantile = Math.max(1e-4, Math.min(1 - 1e-4, random.nextDouble()));
        return rough
                ? NORMAL.cumulativeProbability(ROUGH_SEVERITY_WIDTH * NORMAL.inverseCumulativeProbability(quantile))
                : quantile;
    }

    private List<Suspect> causes(Stratum stratum, boolean recentWork, RandomGenerator random) {
        List<Suspect> faulty = model.suspects().stream()
                .filter(s -> !s.id().equals(SuspectCatalogue.NOTHING_WRONG))
                .toList();
        return switch (stratum) {
            case SOUND -> List.of(model.suspects().get(model.indexOf(SuspectCatalogue.NOTHING_WRONG)));
            case UNLISTED ->
                List.of(drawn(
                        faulty.stream().filter(s -> UNLISTED.contains(s.id())).toList(), recentWork, random));
            case PAIR -> {
                Suspect one = drawn(faulty, recentWork, random);
                yield List.of(
                        one,
                        drawn(
                                faulty.stream()
                                        .filter(s -> FaultDraw.apart(s.remedy(), one.remedy()))
                                        .toList(),
                                recentWork,
                                random));
            }
            default -> List.of(drawn(faulty, recentWork, random));
        };
    }

    private Suspect drawn(List<Suspect> among, boolean recentWork, RandomGenerator random) {
        return FaultDraw.drawn(
                among,
                s -> s.frequency()
                        * frequencyFactors[model.indexOf(s.id())]
                        * (recentWork ? s.origin().afterWork() : 1),
                random);
    }

    /** Stiffness, clearances, springs and gain differ evenly; hand, eye and weather as anywhere. */
    private static VehicleUnknowns vehicle(double width, RandomGenerator random) {
        return VehicleUnknowns.draw(random)
                .of(new VehicleUnknowns.Factors(
                        evenly(random, width),
                        evenly(random, width),
                        evenly(random, width),
                        evenly(random, width),
                        evenly(random, width),
                        evenly(random, width)));
    }
}
