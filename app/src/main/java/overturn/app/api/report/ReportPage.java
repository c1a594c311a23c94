package overturn.app.api.report;

import java.util.List;
import overturn.quantity.PlainText;

/**
 * What the report says, in the order in which it is read. The template {@code overturn/report.html} sets it; text is
 * escaped there, drawings are already markup.
 *
 * @param workshop its name; empty where it was not given
 * @param circuit the drawing
 * @param rulers whether a reading has a ruler, so that the page says how to read one
 * @param tables what was ruled out, done, proven, released and struck
 * @param caution what stands at the foot while the vehicle is not released; empty once it is
 */
public record ReportPage(
        String vehicle,
        String workshop,
        List<Line> head,
        String circuit,
        VerdictTold verdict,
        List<TestTold> readings,
        boolean rulers,
        List<Table> tables,
        List<Picture> pictures,
        List<TraceDrawn> traces,
        String caution) {

    /** Nothing that a page cannot show comes through. */
    public ReportPage {
        vehicle = PlainText.of(vehicle);
        workshop = PlainText.of(workshop);
    }

    /** One row: what it is, and what there is to say. */
    public record Line(String label, String text) {
        /** Nothing that a page cannot show comes through. */
        public Line {
            label = PlainText.of(label);
            text = PlainText.of(text);
        }
    }

    /** Rows under a title. */
    public record Table(String title, int labelMm, List<Line> lines) {
        /** A table whose labels are a word or two. */
        static Table of(String title, List<Line> lines) {
            return new Table(title, 34, lines);
        }
    }

    /**
     * What was decided.
     *
     * @param grade with its share, and what became of it
     * @param beganWith the frequencies that the first suspicion came from
     * @param why what the person who accepted it wrote; may be empty
     * @param overturnedBy tests that would overturn it while it is open; may be empty
     */
    public record VerdictTold(String remedies, String grade, String beganWith, String why, String overturnedBy) {
        /** Nothing that a page cannot show comes through. */
        public VerdictTold {
            why = PlainText.of(why);
        }
    }

    /** One test: everything that it read, and the ruler of the figure that says most; may be empty. */
    public record TestTold(String name, List<String> values, String ruler) {
        /** Nothing that a page cannot show comes through. */
        public TestTold {
            values = values.stream().map(PlainText::of).toList();
        }
    }

    /** A picture that was taken. */
    public record Picture(String jpegBase64, String caption) {
        /** Nothing that a page cannot show comes through. */
        public Picture {
            caption = PlainText.of(caption);
        }
    }

    /** What an instrument wrote down. */
    public record TraceDrawn(String drawing, String caption) {
        /** Nothing that a page cannot show comes through. */
        public TraceDrawn {
            caption = PlainText.of(caption);
        }
    }
}
