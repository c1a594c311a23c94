package overturn.app.api.record;

import static overturn.app.api.Optionals.orNull;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.IntStream;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import overturn.app.people.Actor;
import overturn.app.record.FrequenciesTaken.Elsewhere;
import overturn.app.usecase.Checks;
import overturn.app.usecase.layout.LayoutSheets;
import overturn.app.usecase.learning.Learned;
import overturn.app.usecase.learning.LearnedFrequencies;
import overturn.app.usecase.learning.ShareFrequencies;
import overturn.app.usecase.workshop.TellWorkshop;
import overturn.app.workshop.WorkshopSettings;
import overturn.inference.Frequencies;
import overturn.learning.LearnedCounts;
import overturn.suspect.Suspect;

/** How frequent faults are here: what ships, what was learned, and what others learned. */
@RestController
@RequestMapping("/api/learning")
class LearningController {

    /** Word by which a file of this kind tells what it is. */
    static final String FORMAT = "overturn-frequencies";

    private static final int FORMAT_VERSION = 1;

    private final LearnedFrequencies frequencies;
    private final ShareFrequencies share;
    private final LayoutSheets sheets;
    private final TellWorkshop workshop;
    private final Clock clock;

    LearningController(
            LearnedFrequencies frequencies,
            ShareFrequencies share,
            LayoutSheets sheets,
            TellWorkshop workshop,
            Clock clock) {
        this.frequencies = frequencies;
        this.share = share;
        this.sheets = sheets;
        this.workshop = workshop;
        this.clock = clock;
    }

    /** Whether closed jobs count, and by how much those from elsewhere; {@code version} is the last that was seen. */
    record LearningRequest(Integer version, Boolean on, Optional<Map<UUID, Double>> weights) {}

    /** A file of another workshop; {@code id} is made by the client, so that sending it twice takes it once. */
    record FrequenciesRequest(UUID id, String name, FrequenciesFile file) {}

    /**
     * Counts of closed jobs by family and suspect, faded by their age. No vehicle and no person is in it.
     *
     * @param families by the id of the family
     */
    record FrequenciesFile(
            @Schema(allowableValues = FORMAT) String format, Integer version, Map<String, FamilyCounts> families) {}

    /** How many jobs, and how often each suspect was their cause, by its id. */
    record FamilyCounts(Integer jobs, Map<String, Double> counts) {}

    /** How frequent faults of a circuit are taken to be in a job that is opened now. */
    @GetMapping
    LearningView learning(@RequestParam String layoutId) {
        LayoutSheets.Sheet sheet = sheets.find(layoutId)
                .orElseThrow(() -> Checks.refusal("layoutId", layoutId, "one of " + sheets.offered()));
        WorkshopSettings settings = workshop.latest();
        Learned learned = frequencies.at(sheet.layout().family(), clock.instant(), settings);
        LearnedCounts own = frequencies.own(sheet.layout().family(), clock.instant());
        List<Suspect> suspects = sheet.suspects();
        double[] shipped = Frequencies.of(suspects, Map.of());
        double[] now = Frequencies.of(suspects, learned.counts().counts());
        return new LearningView(
                settings.version(),
                settings.learning().on(),
                own.jobs(),
                learned.elsewhere(),
                Frequencies.SHIPPED_JOBS,
                IntStream.range(0, suspects.size())
                        .mapToObj(s -> new FrequencyView(
                                suspects.get(s).id(),
                                shipped[s],
                                now[s],
                                own.counts().getOrDefault(suspects.get(s).id(), 0.0)))
                        .toList(),
                elsewhere(settings));
    }

    @PutMapping
    List<ElsewhereView> tell(Actor actor, @RequestBody LearningRequest request) {
        return elsewhere(workshop.tellLearning(request.version, actor, request.on, orNull(request.weights)));
    }

    /** What was learned here, for other workshops. */
    @GetMapping("/frequencies")
    ResponseEntity<FrequenciesFile> file() {
        Map<String, FamilyCounts> families = new TreeMap<>();
        share.own()
                .forEach((family, counts) ->
                        families.put(family.id(), new FamilyCounts(counts.jobs(), new TreeMap<>(counts.counts()))));
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_JSON)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename("frequencies.json")
                                .build()
                                .toString())
                .body(new FrequenciesFile(FORMAT, FORMAT_VERSION, families));
    }

    /** Takes what another workshop learned; it counts once it is given a weight. */
    @PostMapping("/frequencies")
    List<ElsewhereView> take(Actor actor, @RequestBody FrequenciesRequest request) {
        FrequenciesFile file = request.file;
        new Checks()
                .that(
                        () -> file != null && FORMAT.equals(file.format),
                        "file.format",
                        file == null ? null : file.format,
                        FORMAT)
                .that(
                        () -> file != null && file.version != null && file.version == FORMAT_VERSION,
                        "file.version",
                        file == null ? null : file.version,
                        String.valueOf(FORMAT_VERSION))
                .orThrow();
        Map<String, ShareFrequencies.Sent> sent = new TreeMap<>();
        if (file.families != null) {
            file.families.forEach((family, counts) ->
                    sent.put(family, counts == null ? null : new ShareFrequencies.Sent(counts.jobs, counts.counts)));
        }
        share.take(actor, request.id, request.name, sent);
        return elsewhere(workshop.latest());
    }

    private List<ElsewhereView> elsewhere(WorkshopSettings settings) {
        return share.elsewhere().stream()
                .map(one -> ElsewhereView.of(one, settings))
                .toList();
    }

    /**
     * How frequent faults of one circuit are.
     *
     * @param version of the settings of the workshop
     * @param ownJobs closed jobs of this family here
     * @param elsewhereJobs those of others that count
     * @param shippedJobs for how many closed jobs the frequencies count that ship
     */
    record LearningView(
            int version,
            boolean on,
            int ownJobs,
            int elsewhereJobs,
            double shippedJobs,
            List<FrequencyView> suspects,
            List<ElsewhereView> elsewhere) {}

    /** A suspect's share as it ships and as it is taken now, and its own closed jobs, faded. */
    record FrequencyView(String suspectId, double shipped, double now, double ownCount) {}

    /** What came from elsewhere, how many jobs it holds, and what they weigh. */
    record ElsewhereView(UUID id, String name, Instant takenAt, int jobs, double weight) {

        static ElsewhereView of(Elsewhere one, WorkshopSettings settings) {
            return new ElsewhereView(
                    one.id(),
                    one.name(),
                    one.takenAt(),
                    one.families().values().stream()
                            .mapToInt(LearnedCounts::jobs)
                            .sum(),
                    settings.learning().weights().getOrDefault(one.id(), 0.0));
        }
    }
}
