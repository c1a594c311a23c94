package overturn.app.api.bench;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import overturn.app.api.FigureRequest;
import overturn.app.api.bench.CalculationView.CalculatorView;
import overturn.app.usecase.bench.Calculate;
import overturn.calculation.Calculators;
import overturn.circuit.Layout;

/** The calculators of the bench, fed with the figures of a layout. */
@RestController
@RequestMapping("/api/calculators")
class BenchController {

    private final Calculate calculate;

    BenchController(Calculate calculate) {
        this.calculate = calculate;
    }

    /** Inputs of one column; what is missing or blank stands at the layout's figure. */
    record ColumnRequest(List<FigureRequest> inputs) {}

    /** What-ifs side by side. */
    record CalculationRequest(String layoutId, List<ColumnRequest> columns) {

        List<List<Calculate.TypedInput>> typed() {
            return columns == null
                    ? List.of()
                    : columns.stream()
                            .map(c -> FigureRequest.inputs(c == null ? null : c.inputs()))
                            .toList();
        }
    }

    @GetMapping
    List<CalculatorView> calculators(@RequestParam(required = false) String layoutId) {
        Layout layout = calculate.layout(layoutId);
        return Calculators.of(layout).stream()
                .map(c -> CalculatorView.of(c, layout))
                .toList();
    }

    @PostMapping("/{id}")
    CalculationView compute(@PathVariable String id, @RequestBody CalculationRequest request) {
        return CalculationView.of(calculate.columns(id, request.layoutId(), request.typed()));
    }
}
