package overturn.inference;

import java.util.stream.IntStream;

/**
 * Severities of two faults that meet on one vehicle, picked for a first look at a pair.
 *
 * @param pair     the two suspects
 * @param host     the one of them whose particles lend the vehicle
 * @param vehicles particle of the host, per meeting
 * @param guests   particle from which the other fault is taken, per meeting
 */
record Meetings(Hypothesis pair, int host, int[] vehicles, int[] guests) {

    /** Every pick of the host with every pick of the guest. */
    static Meetings of(int host, int[] hosts, int guest, int[] guests) {
        int count = hosts.length * guests.length;
        return new Meetings(Hypothesis.pair(host, guest), host, IntStream.range(0, count).map(n -> hosts[n / guests.length]).toArray(),
                IntStream.range(0, count).map(n -> guests[n % guests.length]).toArray());
    }

    /** Severities as they come, the first of the two lending the vehicles. */
    static Meetings asTheyCome(Hypothesis pair, int count) {
        return new Meetings(pair, pair.first(), IntStream.range(0, count).toArray(),
                IntStream.range(0, count).map(i -> Crowd.tried(i, i % Crowd.VEHICLES_TRIED)).toArray());
    }

    int guest() {
        return pair.first() == host ? pair.second() : pair.first();
    }

    int count() {
        return vehicles.length;
    }
}
