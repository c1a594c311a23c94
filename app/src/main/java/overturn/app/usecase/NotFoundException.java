package overturn.app.usecase;

/** Something named in the address does not exist. */
public final class NotFoundException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    public NotFoundException(String what, String id) {
        super("There is no " + what + " " + id);
    }
}
