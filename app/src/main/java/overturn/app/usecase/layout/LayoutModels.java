package overturn.app.usecase.layout;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.RemovalCause;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import overturn.circuit.Layout;
import overturn.forecast.KeptPredictions;
import overturn.forecast.LayoutModel;
import overturn.repair.ChangedLayout;

/**
 * The model of each layout, worked out when first needed and kept while there is room: at most a stated share of the
 * heap.
 */
@Component
public class LayoutModels {

    private static final double SHARE_OF_HEAP = 0.28;
    private static final int MOST_WAITING = 8;

    private final LayoutSheets sheets;
    private final KeptPredictions kept;
    private final List<Consumer<LayoutModel>> whenDropped = new CopyOnWriteArrayList<>();
    private final Cache<String, LayoutModel> models = Caffeine.newBuilder()
            .maximumWeight((long) (SHARE_OF_HEAP * Runtime.getRuntime().maxMemory()))
            .weigher((String id, LayoutModel model) -> (int) Math.min(Integer.MAX_VALUE, model.heldBytes()))
            .executor(Runnable::run)
            .removalListener(
                    (@Nullable String id, @Nullable LayoutModel model, RemovalCause cause) -> dropped(model, cause))
            .build();
    private final Map<String, Integer> weighedAt = new ConcurrentHashMap<>();
    private final Object building = new Object();
    private final ExecutorService warming = new ThreadPoolExecutor(
            1,
            1,
            10,
            TimeUnit.SECONDS,
            new ArrayBlockingQueue<>(MOST_WAITING),
            LayoutModels::thread,
            new ThreadPoolExecutor.DiscardPolicy());

    LayoutModels(LayoutSheets sheets, KeptPredictions kept) {
        this.sheets = sheets;
        this.kept = kept;
    }

    private static Thread thread(Runnable work) {
        Thread thread = new Thread(work, "warming-up");
        thread.setDaemon(true);
        return thread;
    }

    /**
     * Works the predictions of a layout out before a job asks for them; where many wait already it is left until it is
     * needed.
     */
    public void warmLater(String layoutId) {
        warming.execute(() -> sheets.find(layoutId).ifPresent(sheet -> of(layoutId, sheet.layout())));
    }

    /** Told of every model that is no longer kept, so that nothing else keeps it. */
    public void whenDropped(Consumer<LayoutModel> listener) {
        whenDropped.add(listener);
    }

    private void dropped(@Nullable LayoutModel model, RemovalCause cause) {
        if (model != null && cause != RemovalCause.REPLACED) {
            new ArrayList<>(whenDropped).forEach(listener -> listener.accept(model));
        }
    }

    /**
     * The model of a layout that a job in the log names, ready to be asked; one is built at a time, since each uses all
     * processors.
     */
    public LayoutModel of(String layoutId) {
        LayoutModel known = models.getIfPresent(layoutId);
        return known != null ? known : of(layoutId, sheets.of(layoutId).layout());
    }

    /**
     * The model of a layout that a job names, or of what a repair has made of it.
     *
     * @param layoutId what the job names
     * @param layout as it is now; one that a repair has changed has an id of its own
     */
    public LayoutModel of(String layoutId, Layout layout) {
        String key = layout.id().startsWith(layoutId + ChangedLayout.OF) ? layout.id() : layoutId;
        LayoutModel known = models.getIfPresent(key);
        return known != null ? known : built(key, layout);
    }

    /** The model of a circuit of which it is not known whether it will be kept; only one that is here is shared. */
    public LayoutModel apart(LayoutSheets.Sheet sheet) {
        String id = sheet.file().id();
        return sheets.find(id).isPresent() ? of(id, sheet.layout()) : LayoutModel.of(sheet.layout());
    }

    private LayoutModel built(String key, Layout layout) {
        synchronized (building) {
            LayoutModel known = models.getIfPresent(key);
            if (known == null) {
                known = LayoutModel.of(layout, kept);
                known.warmUp();
                models.put(key, known);
            }
            return known;
        }
    }

    /** Weighs a model again after it has been used, if it has grown: it does so as tests are read. */
    public void weighAgain(LayoutModel model) {
        int grown = model.grown();
        if (Objects.equals(weighedAt.put(model.layout().id(), grown), grown)) {
            return;
        }
        models.asMap().computeIfPresent(model.layout().id(), (id, known) -> known);
    }
}
