package overturn.app.workshop;

/** Whether what is entered can be kept. */
public interface StoreHealth {

    /** Whether the store answers and takes writes just now; false too where it cannot be reached. */
    boolean takesWrites();
}
