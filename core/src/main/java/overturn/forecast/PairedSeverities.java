package overturn.forecast;

import java.util.stream.IntStream;

/**
 * Combinations of a severity of one fault with a severity of another on one imagined vehicle, for a first estimate of a
 * pair of faults.
 *
 * @param pair the two suspects
 * @param host the one of them whose particles lend the vehicle
 * @param vehicles particle of the host, per combination
 * @param guests particle from which the other fault is taken, per combination
 */
public record PairedSeverities(Hypothesis pair, int host, int[] vehicles, int[] guests) {

    /** Every pick of the host with every pick of the guest. */
    public static PairedSeverities of(int host, int[] hosts, int guest, int[] guests) {
        int count = hosts.length * guests.length;
        return new PairedSeverities(
                Hypothesis.pair(host, guest),
                host,
                IntStream.range(0, count).map(n -> hosts[n / guests.length]).toArray(),
                IntStream.range(0, count).map(n -> guests[n % guests.length]).toArray());
    }

    /** Severities as they come, the first of the two lending the vehicles. */
    public static PairedSeverities asTheyCome(Hypothesis pair, int count) {
        return new PairedSeverities(
                pair,
                pair.first(),
                IntStream.range(0, count).toArray(),
                IntStream.range(0, count)
                        .map(i -> Particles.tried(i, i % Particles.VEHICLES_TRIED))
                        .toArray());
    }

    public int guest() {
        return pair.first() == host ? pair.second() : pair.first();
    }

    public int count() {
        return vehicles.length;
    }
}
