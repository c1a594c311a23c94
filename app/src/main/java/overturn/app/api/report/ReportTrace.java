package overturn.app.api.report;

import java.util.List;
import java.util.Locale;
import overturn.app.job.Entry.TraceKept;

/** What an instrument wrote down, drawn for the report against the seconds from the press. */
final class ReportTrace {

    private static final int WIDTH = 480;
    private static final int HEIGHT = 120;
    private static final int LEFT = 40;
    private static final int BOTTOM = 20;
    private static final int[] MARKS = {0, 5, 15, 30, 60};

    private ReportTrace() {}

    static String svg(TraceKept trace) {
        List<Double> values = trace.values();
        double least = values.stream().mapToDouble(v -> v).min().orElse(0);
        double most =
                Math.max(least + 1, values.stream().mapToDouble(v -> v).max().orElse(1));
        double to = trace.fromSeconds() + trace.stepSeconds() * (values.size() - 1);
        StringBuilder path = new StringBuilder();
        for (int i = 0; i < values.size(); i++) {
            path.append(i == 0 ? "M" : "L")
                    .append(figure(x(trace.fromSeconds() + i * trace.stepSeconds(), trace.fromSeconds(), to)))
                    .append(' ')
                    .append(figure(y(values.get(i), least, most)));
        }
        StringBuilder svg = new StringBuilder("<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"" + WIDTH
                + "\" height=\"" + HEIGHT + "\" viewBox=\"0 0 " + WIDTH + " " + HEIGHT + "\">");
        for (int second : MARKS) {
            if (second <= to) {
                double x = x(second, trace.fromSeconds(), to);
                svg.append("<path d=\"M%1$s 4V%2$d\" stroke=\"#bbb\"/>".formatted(figure(x), HEIGHT - BOTTOM))
                        .append("<text x=\"%s\" y=\"%d\" font-size=\"10\" text-anchor=\"middle\">%d s</text>"
                                .formatted(figure(x), HEIGHT - 6, second));
            }
        }
        for (double value : new double[] {least, most}) {
            svg.append("<text x=\"%d\" y=\"%s\" font-size=\"10\" text-anchor=\"end\">%s</text>"
                    .formatted(LEFT - 4, figure(y(value, least, most) + 4), figure(value)));
        }
        return svg.append("<path d=\"" + path + "\" fill=\"none\" stroke=\"#1f2b31\" stroke-width=\"1.5\"/></svg>")
                .toString();
    }

    private static double x(double seconds, double from, double to) {
        return LEFT + (WIDTH - LEFT - 6) * (seconds - from) / Math.max(1e-9, to - from);
    }

    private static double y(double value, double least, double most) {
        return HEIGHT - BOTTOM - (HEIGHT - BOTTOM - 8) * (value - least) / (most - least);
    }

    private static String figure(double value) {
        return String.format(Locale.ROOT, "%.1f", value);
    }
}
