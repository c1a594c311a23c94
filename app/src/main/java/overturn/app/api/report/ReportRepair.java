package overturn.app.api.report;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
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
    private final ReportHtml page;

    /** @param sheet what the vehicle's sheet says, by what it is about */
    ReportRepair(Job job, Map<String, String> sheet, ReportHtml page) {
        this.job = job;
        this.repair = job.state().repair().orElseThrow();
        this.sheet = sheet;
        this.page = page;
    }

    void write() {
        if (!repair.done().isEmpty()) {
            done();
        }
        if (!repair.outcomes().isEmpty()) {
            proven();
        }
        repair.released().ifPresent(this::released);
    }

    private void done() {
        page.title("What was done");
        page.table();
        for (Section section : Section.values()) {
            List<WorkStep> steps = repair.plan().steps().stream()
                    .filter(step -> step.section() == section && repair.done().containsKey(step.key()))
                    .toList();
            if (!steps.isEmpty()) {
                page.line(page.word("section." + section.name()), told(steps));
            }
        }
        job.state().parts().forEach((part, logged) -> {
            PartMoved moved = (PartMoved) logged.entry();
            page.line("Part", part + ", " + moved.state() + (moved.note().isEmpty() ? "" : ", " + moved.note()));
        });
        repair.fluid()
                .ifPresent(taken -> page.line(
                        "Fluid",
                        page.word("fluid." + taken.fluid()) + (taken.grade().isEmpty() ? "" : ", " + taken.grade())));
        String figures = repair.plan().steps().stream()
                .flatMap(step -> step.sheetFigures().stream())
                .distinct()
                .filter(sheet::containsKey)
                .map(figure -> page.word("sheet." + figure) + " " + sheet.get(figure))
                .collect(Collectors.joining("; "));
        if (!figures.isEmpty()) {
            page.line("Maker's figures", figures);
        }
        repair.sheet()
                .ifPresent(bled -> page.line(
                        "Strokes",
                        bled.ends().stream()
                                .filter(end -> end.strokes() > 0)
                                .map(end -> page.part(end.id()) + " " + end.strokes())
                                .collect(Collectors.joining(", "))));
        page.endTable();
    }

    /** How many steps, by whom, every figure that was measured, and why one that differs was taken. */
    private String told(List<WorkStep> steps) {
        List<WorkStepDone> done = steps.stream()
                .map(step -> (WorkStepDone) repair.done().get(step.key()).entry())
                .toList();
        String measured = Stream.concat(
                        done.stream()
                                .flatMap(step -> step.measured().stream())
                                .map(m -> page.word("asked." + m.id()) + " " + m.text() + " " + m.unit()),
                        done.stream()
                                .map(WorkStepDone::why)
                                .filter(why -> !why.isEmpty())
                                .map(why -> "taken all the same: " + why))
                .collect(Collectors.joining(", "));
        return steps.size()
                + (steps.size() == 1 ? " step, " : " steps, ")
                + by(steps.stream().map(step -> repair.done().get(step.key())).toList())
                + (measured.isEmpty() ? "" : "; " + measured);
    }

    private void proven() {
        page.title("How it was proven");
        page.table();
        for (Proving.Standing gate : repair.proving().gates()) {
            List<LoggedEntry> checks = Checks.of(job.state().layout()).stream()
                    .filter(c -> c.gate() == gate.gate() && repair.outcomes().containsKey(c.id()))
                    .map(c -> repair.outcomes().get(c.id()))
                    .toList();
            if (!checks.isEmpty()) {
                page.line(page.word("gate." + gate.gate().id()), passed(checks));
            }
        }
        page.endTable();
    }

    /** How many passed, who saw it, when the last of them was done, and what was written beside. */
    private String passed(List<LoggedEntry> checks) {
        List<CheckDone> all = checks.stream().map(c -> (CheckDone) c.entry()).toList();
        long failed = all.stream().filter(c -> c.outcome().equals("failed")).count();
        String seen = all.stream()
                .filter(c -> !c.seen().isEmpty())
                .map(c -> page.word("check." + c.checkId()) + " " + c.seen())
                .collect(Collectors.joining("; "));
        String last = checks.stream()
                .map(LoggedEntry::takenAt)
                .max(java.util.Comparator.naturalOrder())
                .map(page::at)
                .orElse("");
        return checks.size() - failed + " checks passed, " + failed + " failed, " + by(checks) + ", " + last
                + (seen.isEmpty() ? "" : "; " + seen);
    }

    private void released(LoggedEntry logged) {
        JobReleased released = (JobReleased) logged.entry();
        page.title(released.conditional() ? "Released conditionally" : "Released");
        page.table();
        page.line("Signed", page.person(logged.personId()) + ", " + page.at(logged.takenAt()));
        if (!released.secondId().isEmpty()) {
            page.line("Checked by", page.person(released.secondId()));
        }
        if (released.conditional()) {
            page.line("Looked at again", released.recheckOn());
        }
        page.endTable();
    }

    private String by(List<LoggedEntry> entries) {
        return entries.stream().map(e -> page.person(e.personId())).distinct().collect(Collectors.joining(", "));
    }
}
