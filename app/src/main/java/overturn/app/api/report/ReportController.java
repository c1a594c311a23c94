package overturn.app.api.report;

import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.svgsupport.BatikSVGDrawer;
import jakarta.servlet.http.HttpServletRequest;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Collectors;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.thymeleaf.TemplateEngine;
import org.thymeleaf.context.Context;
import org.thymeleaf.templateresolver.ClassLoaderTemplateResolver;
import overturn.app.api.FileNames;
import overturn.app.api.QrCode;
import overturn.app.api.RecheckCalendar;
import overturn.app.job.RepairEntry.JobReleased;
import overturn.app.job.RepairState;
import overturn.app.usecase.NotFoundException;
import overturn.app.usecase.job.Jobs;
import overturn.app.usecase.job.Jobs.Job;
import overturn.app.usecase.job.TakePhoto;
import overturn.app.usecase.layout.LayoutSheets;
import overturn.app.usecase.vehicle.VehicleRecords;
import overturn.app.vehicle.VehicleEntry.SheetFigure;
import overturn.app.workshop.Staff;
import overturn.words.Words;

/** What leaves the workshop: the report as PDF, the re-check as iCalendar, the code on the tag. */
@RestController
@RequestMapping("/api/jobs/{id}")
class ReportController {

    private static final String FONT = "/org/apache/pdfbox/resources/ttf/LiberationSans-Regular.ttf";
    private static final Map<String, String> WORDS = Words.all();
    private static final TemplateEngine TEMPLATES = templates();

    private final Jobs jobs;
    private final Staff staff;
    private final LayoutSheets sheets;
    private final TakePhoto photos;
    private final VehicleRecords vehicles;
    private final Clock clock;

    ReportController(
            Jobs jobs, Staff staff, LayoutSheets sheets, TakePhoto photos, VehicleRecords vehicles, Clock clock) {
        this.jobs = jobs;
        this.staff = staff;
        this.sheets = sheets;
        this.photos = photos;
        this.vehicles = vehicles;
        this.clock = clock;
    }

    /** Fonts and graphics are loaded before the first report is asked for. */
    @EventListener(ApplicationReadyEvent.class)
    void warmUp() {
        CompletableFuture.runAsync(
                () -> pdf("<html><head><style>body { font-family: 'Liberation Sans'; }</style></head><body>"
                        + "<svg xmlns='http://www.w3.org/2000/svg' width='9' height='9'><path d='M0 0H9' stroke='#000000'/>"
                        + "<text x='0' y='9' font-family='Liberation Sans'>9</text></svg>9</body></html>"));
    }

    /**
     * One or two pages: complaint, circuit, rulers, verdict, what was ruled out, repair, before and after, who signed.
     */
    @GetMapping(value = "/report", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> report(@PathVariable UUID id) {
        Job job = jobs.find(id);
        Map<String, String> words = new HashMap<>(WORDS);
        String layoutId = job.state().opened().layoutId();
        words.put("layout." + layoutId, sheets.of(layoutId).file().name());
        Map<String, String> people =
                staff.all().stream().collect(Collectors.toMap(Staff.Person::id, Staff.Person::name));
        return file(
                pdf(page(new JobReport(
                                job,
                                new ReportWords(job.state().layout(), words, people, clock.getZone()),
                                photos::find,
                                sheet(job))
                        .page())),
                MediaType.APPLICATION_PDF,
                FileNames.of(job.state().opened().vehicle(), "report", clock, "pdf"));
    }

    /** What the sheet of its vehicle says, with units, by what it is about. */
    private Map<String, String> sheet(Job job) {
        return vehicles.find(job.state().opened().vehicleId()).sheet().stream()
                .map(entry -> (SheetFigure) entry.fact())
                .collect(Collectors.toMap(SheetFigure::what, SheetFigure::text));
    }

    private static String page(ReportPage page) {
        return TEMPLATES.process("report", new Context(Locale.UK, Map.of("page", page)));
    }

    private static TemplateEngine templates() {
        ClassLoaderTemplateResolver resolver = new ClassLoaderTemplateResolver();
        resolver.setPrefix("overturn/");
        resolver.setSuffix(".html");
        resolver.setCharacterEncoding("UTF-8");
        TemplateEngine engine = new TemplateEngine();
        engine.setTemplateResolver(resolver);
        return engine;
    }

    private static byte[] pdf(String html) {
        try (ByteArrayOutputStream out = new ByteArrayOutputStream();
                BatikSVGDrawer svg = new BatikSVGDrawer()) {
            PdfRendererBuilder builder = new PdfRendererBuilder();
            builder.useSVGDrawer(svg);
            builder.useFont(() -> PdfRendererBuilder.class.getResourceAsStream(FONT), "Liberation Sans");
            builder.withHtmlContent(html, null);
            builder.toStream(out);
            builder.run();
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The day on which a conditionally released vehicle is looked at again. */
    @GetMapping(value = "/recheck", produces = "text/calendar")
    ResponseEntity<byte[]> recheck(@PathVariable UUID id) {
        Job job = jobs.find(id);
        LocalDate day = job.state()
                .repair()
                .flatMap(RepairState::released)
                .map(logged -> ((JobReleased) logged.entry()).recheckOn())
                .filter(text -> !text.isEmpty())
                .map(LocalDate::parse)
                .orElseThrow(() -> new NotFoundException("re-check of job", id.toString()));
        String vehicle = job.state().opened().vehicle();
        return file(
                new RecheckCalendar().with(id, vehicle, day).bytes(),
                RecheckCalendar.TYPE,
                FileNames.of(vehicle, "recheck", clock, "ics"));
    }

    /** The code on the tag: it opens the hand-over card of this job. */
    @GetMapping(value = "/tag", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> tag(@PathVariable UUID id, HttpServletRequest request) {
        jobs.read(id);
        String address = request.getScheme() + "://" + request.getServerName() + ":" + request.getServerPort();
        return ResponseEntity.ok().contentType(MediaType.IMAGE_PNG).body(QrCode.png(address + "/jobs/" + id + "/card"));
    }

    private static ResponseEntity<byte[]> file(byte[] body, MediaType type, String name) {
        return ResponseEntity.ok()
                .contentType(type)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.inline().filename(name).build().toString())
                .body(body);
    }
}
