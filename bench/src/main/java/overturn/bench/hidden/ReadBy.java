package overturn.bench.hidden;

/** How the figures of a hold are read in a run, on the same vehicles. */
enum ReadBy {
    /** By eye, hand and tape. */
    EYE,
    /** From instruments that write them down. */
    INSTRUMENT
}
