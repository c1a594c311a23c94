package overturn.catalogue;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.jgrapht.Graph;
import org.jgrapht.alg.connectivity.ConnectivityInspector;
import org.jgrapht.graph.DefaultEdge;
import org.jgrapht.graph.SimpleGraph;
import overturn.circuit.Layout;
import overturn.procedure.Procedure;
import overturn.simulation.Simulator;
import overturn.simulation.VehicleCondition;
import overturn.simulation.VehicleUnknowns;
import overturn.suspect.Suspect;
import overturn.suspect.SuspectCatalogue;

/**
 * What every test reads under every suspect of a layout against sound, on the vehicle of the data sheet as the intake
 * left it; and which suspects no test separates.
 *
 * @param layout whose it is
 * @param suspects rows, nothing wrong first
 * @param tests columns
 * @param cells per suspect and test
 */
public record SuspectTable(Layout layout, List<Suspect> suspects, List<Procedure> tests, List<List<Cell>> cells) {

    /** Any number; the table is the same each time; seed. */
    private static final long SEED = 7L;

    public SuspectTable {
        suspects = List.copyOf(suspects);
        tests = List.copyOf(tests);
        cells = List.copyOf(cells);
    }

    /**
     * Predictions of one test under one suspect, figures or chances of observations, over severities from mild to
     * severe.
     */
    public static final class Cell {

        private final List<double[]> draws;

        private Cell(List<double[]> draws) {
            this.draws = draws;
        }

        /** Prediction at a share of the severities, 0 mildest to 1 worst. */
        public double at(double share, int figure) {
            return draws.get((int) Math.min(draws.size() - 1.0, share * draws.size()))[figure];
        }

        /** Mean distance from a value over all severities: a fault that goes either way has its mean at sound. */
        double strays(int figure, double from) {
            double sum = 0;
            for (double[] draw : draws) {
                sum += Math.abs(draw[figure] - from);
            }
            return sum / draws.size();
        }

        /** Mean over all severities. */
        public double mean(int figure) {
            double sum = 0;
            for (double[] draw : draws) {
                sum += draw[figure];
            }
            return sum / draws.size();
        }
    }

    /** Works the table out with this many severities per suspect, on all processors. */
    public static SuspectTable of(Layout layout, int severities) {
        Simulator simulator = Simulator.of(layout);
        List<Suspect> suspects = SuspectCatalogue.of(layout);
        List<Procedure> tests = ProcedureCatalogue.of(layout).all();
        List<Simulator.Prepared> prepared =
                tests.stream().map(t -> simulator.prepare(t.protocol())).toList();
        List<List<Cell>> cells = IntStream.range(0, suspects.size())
                .parallel()
                .mapToObj(s -> row(suspects.get(s), layout, tests, prepared, severities))
                .toList();
        return new SuspectTable(layout, suspects, tests, cells);
    }

    private static List<Cell> row(
            Suspect suspect, Layout layout, List<Procedure> tests, List<Simulator.Prepared> prepared, int severities) {
        SplittableRandom nuisance = new SplittableRandom(SEED);
        List<List<overturn.suspect.Fault>> faults = new ArrayList<>();
        for (int i = 0; i < severities; i++) {
            faults.add(suspect.physics().at((i + 0.5) / severities, layout, nuisance));
        }
        int intake = IntStream.range(0, tests.size())
                .filter(t -> tests.get(t).id().equals(ProcedureCatalogue.CHARACTERISE))
                .findFirst()
                .orElseThrow();
        List<VehicleCondition> found = faults.stream()
                .map(fault -> prepared.get(intake)
                        .run(VehicleUnknowns.NOMINAL, fault, VehicleCondition.RESTED)
                        .after()
                        .ready())
                .toList();
        List<Cell> row = new ArrayList<>();
        for (int t = 0; t < tests.size(); t++) {
            List<double[]> draws = new ArrayList<>(severities);
            for (int i = 0; i < severities; i++) {
                VehicleCondition before = t == intake ? VehicleCondition.RESTED : found.get(i);
                draws.add(tests.get(t)
                        .predicted(prepared.get(t).figures(VehicleUnknowns.NOMINAL, faults.get(i), before)));
            }
            row.add(new Cell(draws));
        }
        return row;
    }

    /**
     * Whether a test tells two suspects apart: their means, or how far they stray from sound, differ by more than it
     * can miss.
     */
    public boolean separates(int test, int one, int other) {
        return IntStream.range(0, tests.get(test).width()).anyMatch(k -> shift(test, one, other, k) > 1);
    }

    /** How far apart two suspects are on one figure of a test, in steps that it can just tell. */
    public double shift(int test, int one, int other, int figure) {
        double sound = cells.get(0).get(test).mean(figure);
        Cell a = cells.get(one).get(test);
        Cell b = cells.get(other).get(test);
        double apart = Math.max(
                Math.abs(a.mean(figure) - b.mean(figure)), Math.abs(a.strays(figure, sound) - b.strays(figure, sound)));
        return apart / tests.get(test).tellableDifference(figure);
    }

    /** Tests that tell a suspect from the sound vehicle. */
    public List<Integer> telling(int suspect) {
        return IntStream.range(0, tests.size())
                .filter(t -> separates(t, suspect, 0))
                .boxed()
                .toList();
    }

    /** Suspects that no test separates, as groups of two and more. */
    public List<List<Suspect>> groups() {
        Graph<Integer, DefaultEdge> alike = new SimpleGraph<>(DefaultEdge.class);
        IntStream.range(0, suspects.size()).forEach(alike::addVertex);
        for (int a = 0; a < suspects.size(); a++) {
            for (int b = a + 1; b < suspects.size(); b++) {
                int one = a;
                int other = b;
                if (IntStream.range(0, tests.size()).noneMatch(t -> separates(t, one, other))) {
                    alike.addEdge(one, other);
                }
            }
        }
        return new ConnectivityInspector<>(alike)
                .connectedSets().stream()
                        .filter(set -> set.size() > 1)
                        .map(set -> set.stream().sorted().map(suspects::get).toList())
                        .toList();
    }
}
