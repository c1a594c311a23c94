package overturn.app.photo;

import java.util.Optional;

/** Where pictures are kept, each by the digest of its bytes. */
public interface Photos {

    /** Adds a picture; does nothing if it is there. */
    void add(Photo photo);

    /** The JPEG file of a digest. */
    Optional<byte[]> find(String sha256);
}
