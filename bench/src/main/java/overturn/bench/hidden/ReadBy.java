package overturn.bench.hidden;

/** How the figures of a hold are read in a run, on the same vehicles. */
enum ReadBy {
    /** By eye, hand and tape, typed. */
    EYE,
    /** From instruments, weighed as if they had been typed. */
    INSTRUMENT,
    /** From instruments, weighed as the traces that they are. */
    TRACE
}
