package overturn.app.usecase.people;

import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Somebody could not be signed in. */
public final class SignInRefusedException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final Reason reason;
    private final @Nullable Integer waitSeconds;

    /** Why not; told to whoever tried no closer than that. */
    public enum Reason {
        NAME_OR_PASSWORD("The name or the password is not right"),
        PIN("The PIN is not right"),
        PIN_LOCKED("Five wrong PINs: this name is locked on this tablet until its password is given here"),
        NO_TABLET("This device is not a tablet of the workshop, or no longer"),
        TOO_OFTEN("Too many wrong passwords; wait before the next"),
        NOBODY("Sign in first"),
        LINK("This link was used already, or has ended; ask the owner for another");

        private final String told;

        Reason(String told) {
            this.told = told;
        }
    }

    SignInRefusedException(Reason reason) {
        this(reason, null);
    }

    SignInRefusedException(Reason reason, @Nullable Integer waitSeconds) {
        super(reason.told);
        this.reason = reason;
        this.waitSeconds = waitSeconds;
    }

    /** Asked for by nobody who is signed in. */
    public static SignInRefusedException notSignedIn() {
        return new SignInRefusedException(Reason.NOBODY);
    }

    public Reason reason() {
        return reason;
    }

    /** After which time it may be tried again, s; empty where waiting does not help. */
    public Optional<Integer> waitSeconds() {
        return Optional.ofNullable(waitSeconds);
    }
}
