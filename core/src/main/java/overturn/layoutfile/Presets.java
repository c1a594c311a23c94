package overturn.layoutfile;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import overturn.circuit.Layout;

/** The layouts that ship with the program, one file each. Dimensions: docs/trade-figures.md A and B, all estimates. */
public final class Presets {

    private static final List<LayoutFile> FILES = Stream.of(
                    "tarn-box-van",
                    "pellow-saloon",
                    "old-bess-tender",
                    "ardle-mail-trike",
                    "corvane-flatbed",
                    "brack-tug-clutch",
                    "pellow-saloon-clutch",
                    "wisp-courier-brake",
                    "wisp-courier-clutch",
                    "pellow-hatchback",
                    "pellow-estate",
                    "corvane-pickup",
                    "ardle-roadster",
                    "old-tess-wagon")
            .map(LayoutFiles::shipped)
            .toList();

    /** Vacuum assist, tandem master, front discs on the primary chamber, rear drums on the secondary, modulator. */
    public static final Layout TARN_BOX_VAN = layout("tarn-box-van");

    private Presets() {}

    /** Every preset as it ships. */
    public static List<LayoutFile> files() {
        return FILES;
    }

    /** Every preset. */
    public static List<Layout> all() {
        return FILES.stream().map(LayoutFile::layout).toList();
    }

    public static Optional<LayoutFile> find(String id) {
        return FILES.stream().filter(file -> file.id().equals(id)).findFirst();
    }

    /** The preset with this id. */
    public static Layout layout(String id) {
        return find(id).orElseThrow(() -> new IllegalArgumentException("No preset " + id))
                .layout();
    }
}
