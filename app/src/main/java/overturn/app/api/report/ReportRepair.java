package overturn.app.api.report;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import overturn.app.api.report.ReportPage.Line;
import overturn.app.api.report.ReportPage.Table;
import overturn.app.job.Entry.PartMoved;
import overturn.app.job.LoggedEntry;
import overturn.app.job.RepairEntry.CheckDone;
import overturn.app.job.RepairEntry.JobReleased;
import overturn.app.job.RepairEntry.WorkStepDone;
import overturn.app.job.RepairState;
import overturn.app.usecase.job.Jobs.Job;
import overturn.proving.Checks;
import overturn.proving.Proving;
import overturn.repair.Section;
import overturn.repair.WorkStep;

/** The report's half after the verdict: what was done with which parts and figures, how it was proven, who signed. */
final class ReportRepair {

    private final Job job;
    private final RepairState repair;
    private final Map<String, String> sheet;
    private final ReportWords words;

    /** @param sheet what the vehicle's sheet says, by what it is about */
    ReportRepair(Job job, RepairState repair, Map<String, String> sheet, ReportWords words) {
        this.job = job;
        this.repair = repair;
        this.sheet = sheet;
        this.words = words;
    }

    /** What was done, how it was proven, and who signed; each where there is something to say. */
    List<Table> tables() {
        List<Table> tables = new ArrayList<>();
        if (!repair.done().isEmpty()) {
            tables.add(Table.of("What was done", done()));
        }
        if (!repair.outcomes().isEmpty()) {
            tables.add(Table.of("How it was proven", proven()));
        }
        repair.released().ifPresent(logged -> tables.add(released(logged)));
        return tables;
    }

    private List<Line> done() {
        List<Line> lines = new ArrayList<>();
        for (Section section : Section.values()) {
            List<WorkStep> steps = repair.plan().steps().stream()
                    .filter(step -> step.section() == section && repair.done().containsKey(step.key()))
                    .toList();
            if (!steps.isEmpty()) {
                lines.add(new Line(words.word("section." + section.name()), told(steps)));
            }
        }
        job.state().parts().forEach((part, logged) -> {
            PartMoved moved = (PartMoved) logged.entry();
            lines.add(new Line(
                    "Part", part + ", " + moved.state() + (moved.note().isEmpty() ? "" : ", " + moved.note())));
        });
        repair.fluid()
                .ifPresent(taken -> lines.add(new Line(
                        "Fluid",
                        words.word("fluid." + taken.fluid()) + (taken.grade().isEmpty() ? "" : ", " + taken.grade()))));
        String figures = repair.plan().steps().stream()
                .flatMap(step -> step.sheetFigures().stream())
                .distinct()
                .filter(sheet::containsKey)
                .map(figure -> words.word("sheet." + figure) + " " + sheet.get(figure))
                .collect(Collectors.joining("; "));
        if (!figures.isEmpty()) {
            lines.add(new Line("Maker's figures", figures));
        }
        repair.sheet()
                .ifPresent(bled -> lines.add(new Line(
                        "Strokes",
                        bled.ends().stream()
                                .filter(end -> end.strokes() > 0)
                                .map(end -> words.part(end.id()) + " " + end.strokes())
                                .collect(Collectors.joining(", ")))));
        return lines;
    }

    /** How many steps, by whom, every figure that was measured, and why one that differs was taken. */
    private String told(List<WorkStep> steps) {
        List<WorkStepDone> done = steps.stream()
                .flatMap(step -> Optional.ofNullable(repair.done().get(step.key())).stream())
                .map(logged -> (WorkStepDone) logged.entry())
                .toList();
        String measured = Stream.concat(
                        done.stream()
                                .flatMap(step -> step.measured().stream())
                                .map(m -> words.word("asked." + m.id()) + " " + m.text() + " " + m.unit()),
                        done.stream()
                                .map(WorkStepDone::why)
                                .filter(why -> !why.isEmpty())
                                .map(why -> "taken all the same: " + why))
                .collect(Collectors.joining(", "));
        return steps.size()
                + (steps.size() == 1 ? " step, " : " steps, ")
                + words.by(steps.stream()
                        .map(step -> repair.done().get(step.key()))
                        .toList())
                + (measured.isEmpty() ? "" : "; " + measured);
    }

    private List<Line> proven() {
        List<Line> lines = new ArrayList<>();
        for (Proving.Standing gate : repair.proving().gates()) {
            List<LoggedEntry> checks = Checks.of(job.state().layout()).stream()
                    .filter(c -> c.gate() == gate.gate() && repair.outcomes().containsKey(c.id()))
                    .map(c -> repair.outcomes().get(c.id()))
                    .toList();
            if (!checks.isEmpty()) {
                lines.add(new Line(words.word("gate." + gate.gate().id()), passed(checks)));
            }
        }
        return lines;
    }

    /** How many passed, who saw it, when the last of them was done, and what was written beside. */
    private String passed(List<LoggedEntry> checks) {
        List<CheckDone> all = checks.stream().map(c -> (CheckDone) c.entry()).toList();
        long failed = all.stream().filter(c -> c.outcome().equals("failed")).count();
        String seen = all.stream()
                .filter(c -> !c.seen().isEmpty())
                .map(c -> words.word("check." + c.checkId()) + " " + c.seen())
                .collect(Collectors.joining("; "));
        String last = checks.stream()
                .map(LoggedEntry::takenAt)
                .max(Comparator.naturalOrder())
                .map(words::at)
                .orElse("");
        return checks.size() - failed + " checks passed, " + failed + " failed, " + words.by(checks) + ", " + last
                + (seen.isEmpty() ? "" : "; " + seen);
    }

    private Table released(LoggedEntry logged) {
        JobReleased released = (JobReleased) logged.entry();
        List<Line> lines = new ArrayList<>();
        lines.add(new Line("Signed", words.person(logged.personId()) + ", " + words.at(logged.takenAt())));
        if (!released.secondId().isEmpty()) {
            lines.add(new Line("Checked by", words.person(released.secondId())));
        }
        if (released.conditional()) {
            lines.add(new Line("Looked at again", released.recheckOn()));
        }
        return Table.of(released.conditional() ? "Released conditionally" : "Released", lines);
    }
}
