package overturn.app.api.report;

import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.springframework.web.util.HtmlUtils;
import overturn.circuit.Layout;
import overturn.drawing.CircuitSheet;
import overturn.inference.RulerBands;
import overturn.measurement.Figure;
import overturn.quantity.PlainText;

/** Circuit and rulers of the report as vector graphics: the places are those of the page. */
final class ReportDrawing {

    private static final String INK = "#1f2a30";
    private static final String HOT = "#c8401a";
    private static final double RULER_WIDTH = 360;
    /** The name of a hub that is lower than this stands above it, out of the way of its neighbour's. */
    private static final double SMALL_HUB = 30;
    /** Room for the names of the ends right of the sheet, in its own measure. */
    private static final double NAMES_WIDTH = 60;

    private ReportDrawing() {}

    /** The circuit of the sheet, the parts that are worked on in the one signal colour. */
    static String circuit(Layout layout, Set<String> hot, UnaryOperator<String> word) {
        CircuitSheet sheet = CircuitSheet.of(layout);
        StringBuilder svg = new StringBuilder();
        svg.append(String.format(
                Locale.ROOT,
                "<svg xmlns='http://www.w3.org/2000/svg' width='560' height='264' viewBox='0 0 %.0f %.0f'>",
                sheet.width() + NAMES_WIDTH,
                sheet.height()));
        for (CircuitSheet.Stretch stretch : sheet.stretches()) {
            svg.append(String.format(
                    "<path d='%s' fill='none' stroke='%s' stroke-width='%s'/>",
                    stretch.path(), INK, stretch.hose() ? "5" : "3"));
        }
        CircuitSheet.Box master = sheet.master();
        box(
                svg,
                master.x(),
                master.y(),
                master.width(),
                master.height(),
                colour(hot, layout.master().id()));
        text(
                svg,
                master.x() + master.width() + 12,
                master.y() + 40,
                word.apply(layout.master().id()));
        box(
                svg,
                master.x() + 20,
                master.y() - 52,
                master.width() - 60,
                36,
                colour(hot, layout.reservoir().id()));
        layout.assist().ifPresent(assist -> {
            svg.append(String.format(
                    Locale.ROOT,
                    "<circle cx='168' cy='%.0f' r='58' fill='none' stroke='%s' stroke-width='3'/>",
                    master.y() + master.height() / 2,
                    colour(hot, assist.id())));
            text(svg, 130, master.y() + 130, word.apply(assist.id()));
        });
        svg.append(String.format(
                Locale.ROOT,
                "<path d='M70 70L60 270M60 120H%.0f' fill='none' stroke='%s' stroke-width='4'/>",
                master.x(),
                colour(hot, layout.input().id())));
        text(svg, 20, 60, word.apply(layout.input().id()));
        for (CircuitSheet.Hub hub : sheet.hubs()) {
            box(svg, hub.at().x(), hub.at().y() - hub.height() / 2, hub.width(), hub.height(), colour(hot, hub.id()));
            text(
                    svg,
                    hub.at().x(),
                    hub.at().y() + (hub.height() < SMALL_HUB ? -hub.height() / 2 - 8 : hub.height() / 2 + 22),
                    word.apply(hub.id()));
        }
        for (CircuitSheet.PlacedEnd end : sheet.ends()) {
            svg.append(String.format(
                    Locale.ROOT,
                    "<circle cx='%.0f' cy='%.0f' r='%.0f' fill='#ffffff' stroke='%s' stroke-width='4'/>",
                    end.at().x(),
                    end.at().y(),
                    sheet.endRadius(),
                    colour(hot, end.id())));
            text(svg, end.at().x() + sheet.endRadius() + 8, end.at().y() + 6, word.apply(end.id()));
        }
        return svg.append("</svg>").toString();
    }

    private static String colour(Set<String> hot, String id) {
        return hot.contains(id) ? HOT : INK;
    }

    private static void box(StringBuilder svg, double x, double y, double width, double height, String colour) {
        svg.append(String.format(
                Locale.ROOT,
                "<rect x='%.0f' y='%.0f' width='%.0f' height='%.0f' fill='#ffffff' stroke='%s' stroke-width='3'/>",
                x,
                y,
                width,
                height,
                colour));
    }

    private static void text(StringBuilder svg, double x, double y, String text) {
        svg.append(String.format(
                Locale.ROOT,
                "<text x='%.0f' y='%.0f' font-family='Liberation Sans' font-size='20' fill='%s'>%s</text>",
                x,
                y,
                INK,
                HtmlUtils.htmlEscape(PlainText.of(text), "UTF-8")));
    }

    /** One ruler: the band of a sound vehicle, the mark, and the mark after the repair where one was read. */
    static String ruler(Figure figure, RulerBands.Band sound, List<Double> marks) {
        double low =
                Math.min(sound.low(), marks.stream().mapToDouble(m -> m).min().orElse(0));
        double high =
                Math.max(sound.high(), marks.stream().mapToDouble(m -> m).max().orElse(1));
        double room = Math.max(1e-6, high - low) * 0.12;
        double from = Math.max(figure.least(), low - room);
        double to = Math.min(figure.most(), high + room);
        StringBuilder svg = new StringBuilder(String.format(
                Locale.ROOT,
                "<svg xmlns='http://www.w3.org/2000/svg' width='%.0f' height='26' viewBox='0 0 %.0f 26'>",
                RULER_WIDTH,
                RULER_WIDTH));
        svg.append(String.format(
                Locale.ROOT,
                "<path d='M0 16H%.0f' stroke='%s' stroke-width='1'/><rect x='%.1f' y='10' width='%.1f' height='12' fill='#9cc4c4'/>",
                RULER_WIDTH,
                INK,
                at(sound.low(), from, to),
                Math.max(1, at(sound.high(), from, to) - at(sound.low(), from, to))));
        for (int i = 0; i < marks.size(); i++) {
            double x = at(marks.get(i), from, to);
            svg.append(String.format(
                    Locale.ROOT,
                    "<path d='M%.1f 4V24' stroke='%s' stroke-width='3' %s/>",
                    x,
                    i == 0 ? HOT : INK,
                    i == 0 ? "" : "stroke-dasharray='4 2'"));
        }
        return svg.append("</svg>").toString();
    }

    private static double at(double value, double from, double to) {
        return RULER_WIDTH * Math.max(0, Math.min(1, (value - from) / Math.max(1e-9, to - from)));
    }
}
