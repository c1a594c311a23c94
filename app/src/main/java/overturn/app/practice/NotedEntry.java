package overturn.app.practice;

import java.time.Instant;
import java.util.UUID;

/** Something noted in an exercise: in which order, and at which tick of the vehicle's own clock. */
public record NotedEntry(UUID id, int sequence, Instant at, long tick, Noted noted) {}
