package overturn.secondworld;

/**
 * What a test leaves behind in a vehicle that the next one finds: pads at home, fluid trapped and behind valves, mL.
 */
record Carried(boolean padsHome, double[] trappedMl, double[] closedMl) {

    static Carried none() {
        return new Carried(false, new double[2], new double[2]);
    }
}
