package overturn.simulation;

/** The forces at the master's first piston and what pressure they make (docs/physics.md). */
final class ForceBalance {

    private final Plant plant;
    private final VehicleUnknowns vehicle;
    private final Deviations deviations;
    private final AssistState assist;
    private final double areaMm2;

    ForceBalance(Plant plant, VehicleUnknowns vehicle, Deviations deviations, AssistState assist) {
        this.plant = plant;
        this.vehicle = vehicle;
        this.deviations = deviations;
        this.assist = assist;
        this.areaMm2 = plant.boreMm2 * deviations.boreFactor;
    }

    /** Area of the bore, mm². */
    double areaMm2() {
        return areaMm2;
    }

    double springsN() {
        return plant.master.springsN() * vehicle.factors().springs();
    }

    /** What is left to push fluid: rod and assist, less springs, friction and what sticks, N; may be below 0. */
    double pistonForceN(double rodN) {
        double frictionN = vehicle.lost().frictionN() + deviations.bindingN + deviations.stickingN;
        return rodN - springsN() - frictionN + assist.outputN(rodN);
    }

    /** Pressure that a force at the rod makes, bar. */
    double pressureBar(double rodN) {
        return Math.max(0, 10 * pistonForceN(rodN) / areaMm2);
    }

    /** What goes through the rod at a pressure, N: a pedal on its stop pushes no more. */
    double throughRodN(double bar) {
        return bar * areaMm2 / 10 + springsN() + vehicle.lost().frictionN();
    }
}
