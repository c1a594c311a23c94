package overturn.app.api.job;

import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import overturn.app.api.job.TestView.NeedsView;
import overturn.catalogue.CutSetProcedure;
import overturn.circuit.CutSets.Device;

/**
 * A way to divide the circuit, done as a hold.
 *
 * @param procedureId id of the test
 * @param joints where a plug or clamp is fitted
 * @param takenOut components that are then out of the test
 */
public record CutSetView(
        String procedureId, Device device, List<String> joints, Set<String> takenOut, double minutes, NeedsView needs) {

    static CutSetView of(CutSetProcedure test) {
        return new CutSetView(
                test.procedure().id(),
                test.division().device(),
                test.division().joints(),
                new TreeSet<>(test.division().takenOut()),
                test.procedure().minutes(),
                NeedsView.of(test.procedure().needs()));
    }
}
