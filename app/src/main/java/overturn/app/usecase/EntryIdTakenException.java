package overturn.app.usecase;

import java.util.UUID;

/** The client's entry id stands in the log already, with something else in it. Nothing was written. */
public final class EntryIdTakenException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    public EntryIdTakenException(UUID id) {
        super("Entry " + id
                + " is in the log already and says something else; maybe the same id was used for two entries");
    }
}
