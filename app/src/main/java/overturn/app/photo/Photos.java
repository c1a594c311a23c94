package overturn.app.photo;

import java.util.Optional;

/** Where pictures are kept, each by the digest of its bytes. */
public interface Photos {

    /** Adds a picture; does nothing if it is there. */
    void add(Photo photo);

    /** Throws a picture away; does nothing if it is not there. */
    void erase(String sha256);

    /** The JPEG file of a digest. */
    Optional<byte[]> find(String sha256);
}
