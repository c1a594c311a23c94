package overturn.app.people;

/** Somebody may not do what was asked. */
public final class NotAllowedException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final Act act;

    public NotAllowedException(Actor actor, Act act) {
        super(
                act == Act.RELEASE && act.allows(actor.role())
                        ? "A release is signed by somebody whom the workshop has marked as qualified to release; "
                                + actor.personId() + " is not"
                        : "This is for the " + act.from().id() + roleAbove(act) + "; " + actor.personId()
                                + " is signed in as " + actor.role().id());
        this.act = act;
    }

    private static String roleAbove(Act act) {
        return act.from() == Role.OWNER ? "" : " and above";
    }

    public Act act() {
        return act;
    }
}
