package overturn.calculation;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;

/** Bores that are made: inch sizes in sixteenths, metric sizes in whole millimetres. */
final class NominalBores {

    /** An inch, mm; definition. */
    private static final double INCH_MM = 25.4;

    private static final List<Nominal> ALL = all();

    private NominalBores() {}

    /**
     * One made size.
     *
     * @param label as it is stamped, for example {@code 15/16 in} or {@code 24 mm}
     */
    record Nominal(String label, double mm, boolean inch) {

        double areaMm2() {
            return Math.PI * mm * mm / 4;
        }
    }

    private static List<Nominal> all() {
        List<Nominal> sizes = new ArrayList<>();
        for (int sixteenths = 7; sixteenths <= 36; sixteenths++) {
            sizes.add(new Nominal(inches(sixteenths), sixteenths * INCH_MM / 16, true));
        }
        for (int mm = 11; mm <= 57; mm++) {
            sizes.add(new Nominal(String.format(Locale.ROOT, "%d mm", mm), mm, false));
        }
        sizes.sort(Comparator.comparingDouble(Nominal::mm));
        return List.copyOf(sizes);
    }

    private static String inches(int sixteenths) {
        int divisor = Integer.lowestOneBit(sixteenths | 16);
        int whole = sixteenths / 16;
        int rest = sixteenths % 16;
        String fraction = rest == 0 ? "" : rest / divisor + "/" + 16 / divisor;
        return (whole == 0 ? fraction : rest == 0 ? String.valueOf(whole) : whole + " " + fraction) + " in";
    }

    /** Sizes within a distance of a diameter, smallest first. */
    static List<Nominal> within(double mm, double distanceMm) {
        return ALL.stream().filter(n -> Math.abs(n.mm - mm) <= distanceMm).toList();
    }

    /** The nearest made size. */
    static Nominal nearest(double mm) {
        return ALL.stream()
                .min(Comparator.comparingDouble(n -> Math.abs(n.mm - mm)))
                .orElseThrow();
    }
}
