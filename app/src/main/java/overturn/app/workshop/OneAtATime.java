package overturn.app.workshop;

/** Work that only one of several servers does at a time. */
public interface OneAtATime {

    /** Does this unless another server does work of this name just now; whether it was done. */
    boolean unlessAnotherDoes(String name, Runnable work);
}
