package overturn.simulation;

import overturn.circuit.Component;
import overturn.circuit.End;
import overturn.suspect.Fault.Binds;
import overturn.suspect.Fault.Rod;

/** What can be sensed from outside. */
public enum Sensed {
    /** Travel from rest at the pedal or lever tip, mm. */
    TRAVEL_MM((s, end) -> s.state.travelMm()),
    /** Travel since the mark, mm. */
    SINK_MM((s, end) -> s.state.travelMm() - s.state.markedTravelMm),
    /** Free play at the pedal or lever tip, mm. */
    FREE_PLAY_MM((s, end) -> s.state.play.freePlayMm(s.state.section)),
    /** Lost motion felt when the lever or pedal is rocked, mm. */
    ROCK_MM((s, end) -> 0.3
            + s.deviations.lostMotionMm[Rod.LEVER_BUSH.ordinal()]
            + 0.5 * s.deviations.lostMotionMm[Rod.PEDAL_ROD.ordinal()]),
    /** Time in which the pedal or lever comes back, s. */
    RETURN_SECONDS((s, end) -> s.returnSeconds()),
    /** Gap between output rod and piston, mm; negative where the rod pushes. */
    OUTPUT_ROD_GAP_MM((s, end) -> 0.3
            + s.deviations.lostMotionMm[Rod.OUTPUT_ROD.ordinal()]
            - s.deviations.preLoadMm[Rod.OUTPUT_ROD.ordinal()]
            - s.deviations.assistProudMm),
    /** Rod travel while the pedal or lever tip moves 40 mm, mm: two tapes. */
    ROD_MM_PER_40((s, end) -> 40 / (s.plant.input.ratioAt(20) * s.deviations.ratioFactor)),
    /** 1 where the brake lamp burns with the pedal home. */
    LAMP_LIT((s, end) -> s.deviations.lampWrong || s.restingRodMm() > 1 ? 1 : 0),
    /** Rise of the primary compartment since the mark, mm of level. */
    PRIMARY_LEVEL_MM((s, end) -> s.levelRiseMm(0)),
    /** Rise of the secondary compartment since the mark, mm of level. */
    SECONDARY_LEVEL_MM((s, end) -> s.levelRiseMm(1)),
    /** Fluid below the minimum mark, mL; negative where it stands above the maximum. */
    LEVEL_SHORT_ML((s, end) -> s.levelShortMl()),
    /** Line pressure of the chamber that carries most, bar. */
    PRESSURE_BAR((s, end) -> Math.max(s.state.pressureBar[0], s.state.pressureBar[1])),
    /** Share of its stroke that the piston nearest its end has used, 0 to 1. */
    STROKE_USED((s, end) -> Math.max(s.used(0), s.plant.tandem() ? s.used(1) : 0)),
    /** Pressure at one end, bar. */
    END_BAR((s, end) -> s.endBar(end)),
    /** Pressure left at one end with the pedal up, bar. */
    RESIDUAL_BAR((s, end) -> s.residualBar(end)),
    /** Share of the braking force that one end gives, against a sound one. */
    BRAKE_SHARE((s, end) -> s.brakeShare(end)),
    /** Drag of one wheel, Nm. */
    WHEEL_DRAG_NM((s, end) -> s.dragNm(end)),
    /** Drag of the wheel that drags most, Nm. */
    WORST_DRAG_NM((s, end) -> s.worstDragNm()),
    /** Temperature of one wheel after ten minutes on the road, °C. */
    WHEEL_C((s, end) -> Sensing.SOUND_WHEEL_C + Sensing.C_PER_NM * (s.dragNm(end) - s.state.vehicle.wheelDragNm())),
    /** Fluid that one cracked screw gives per slow stroke, mL. */
    SCREW_ML((s, end) -> s.screwMl(end)),
    /** Supply of the assist at its hose: kPa below ambient, or pump bar. */
    SUPPLY((s, end) -> s.state.assist.supply()),
    /** What the assist holds now, in the unit of its supply. */
    RESERVE((s, end) -> s.state.assist.reserve()),
    /**
     * Air drawn by the assist with the pedal free, by pressing more, and at its joint to the master: share of the
     * supply.
     */
    HISS_FREE((s, end) -> s.deviations.leakAtRest - s.deviations.leakAtJoint),
    HISS_PRESSED((s, end) -> s.deviations.leakPressed),
    HISS_AT_JOINT((s, end) -> s.deviations.leakAtJoint),
    /** Share of the supply lost at its hose, and how many times slower it refills. */
    SUPPLY_HOSE_LEAK((s, end) -> s.deviations.leakAtHose),
    SUPPLY_HOSE_SLOW((s, end) -> s.deviations.recoveryFactor),
    /** 1 where the check valve leaks, 2 where it never opens. */
    CHECK_VALVE((s, end) -> s.deviations.checkValveShut ? 2 : s.deviations.checkValveLeaks ? 1 : 0),
    /** Travel taken by air in the assist circuit, mm at the rod. */
    ASSIST_AIR_MM((s, end) -> s.deviations.assistAirMm),
    /** Share of the assist that a restricted return keeps on. */
    RETURN_KEPT((s, end) -> s.deviations.returnShare),
    /** 1 where the modulator works at walking pace. */
    MODULATOR_PULSE((s, end) -> s.state.section.fuseOut ? 0 : s.deviations.modulatorShare),
    /** Slave stroke, mm. */
    SLAVE_STROKE_MM((s, end) -> s.slaveStrokeMm()),
    /** Bearing travel beyond what the clutch needs, mm. */
    RELEASE_MARGIN_MM((s, end) -> s.releaseMarginMm()),
    /** Stroke of the slave that never reaches the bearing, mm. */
    FORK_LOSS_MM((s, end) -> s.deviations.forkWearMm),
    /** Fluid lost outside in a day of driving, mL. */
    OUTSIDE_LOSS_ML_PER_DAY((s, end) -> s.outsideLossMlPerDay(null)),
    /** The part of it at the reservoir. */
    RESERVOIR_LOSS_ML_PER_DAY((s, end) -> s.outsideLossMlPerDay(Component.Reservoir.class)),
    /** The part of it at an end or slave, behind boot or drum. */
    END_LOSS_ML_PER_DAY((s, end) -> s.outsideLossMlPerDay(End.class)),
    /** Brake or clutch fluid lost behind the rear seal in a day, mL. */
    HIDDEN_LOSS_ML_PER_DAY((s, end) -> s.deviations.hiddenWeepMl),
    /** Steering fluid lost in a day, mL: outside, and into the footwell. */
    ASSIST_LOSS_ML_PER_DAY((s, end) -> s.deviations.assistLossMl),
    FOOTWELL_LOSS_ML_PER_DAY((s, end) -> s.deviations.footwellLossMl),
    /** Air that the screws of front ends, rear ends, or the high loop let out, mL. */
    FRONT_AIR_ML((s, end) -> s.airMl(true)),
    REAR_AIR_ML((s, end) -> s.airMl(false)),
    LOOP_AIR_ML((s, end) -> s.loopAirMl()),
    /** Water in the fluid, per cent. */
    WATER_PERCENT((s, end) -> s.deviations.waterPercent),
    /** 1 where the fluid is of the wrong kind. */
    WRONG_FLUID((s, end) -> s.deviations.wrongFluid ? 1 : 0),
    /** 0 to 1: how freely the compensating holes pass at rest, whatever covers them; and by themselves. */
    HOLE_OPEN((s, end) -> s.state.play.preLoadBeyondPlayMm(s.state.section) > 0 ? 0 : s.holeClean()),
    HOLE_CLEAN((s, end) -> s.holeClean()),
    /** What a stripped master shows: flow past worn lips, mL/min; pits; friction, N. */
    LIP_WEAR((s, end) -> s.lipWear(false)),
    BORE_PITTED((s, end) -> s.lipWear(true)),
    PISTON_STICKS_N((s, end) -> s.deviations.stickingN),
    /** Measured bore, mm. */
    BORE_MM((s, end) -> s.plant.master.boreMm() * Math.sqrt(s.deviations.boreFactor)),
    /** 1 where a port feeds the wrong axle. */
    PORTS_CROSSED((s, end) -> s.deviations.portsCrossed ? 1 : 0),
    /** Residual valve pressure found in the master, bar. */
    RESIDUAL_VALVE_BAR((s, end) ->
            s.deviations.residualMissing ? 0 : s.plant.master.residualValveBar() + s.deviations.unwantedResidualBar),
    /** How far pads stand back before the first press, mm. */
    PUSHED_BACK_MM((s, end) -> Sensing.highest(s.deviations.pushedBackMm)),
    /** Extra time for the input alone to come back, rod unhooked, s. */
    INPUT_BINDS_SECONDS((s, end) -> s.deviations.bindingSeconds),
    /** Slave stroke at which the clutch frees, mm. */
    FREES_AT_MM((s, end) -> s.freesAtMm()),
    /** Fluid lost at hoses in a day, mL. */
    HOSE_LOSS_ML_PER_DAY((s, end) -> s.outsideLossMlPerDay(Component.Hose.class)),
    /** How many times its own share the hose that swells most takes beyond a sound one. */
    HOSE_SWELLING((s, end) -> Math.max(0, Sensing.highest(s.deviations.swellFactor) - 1)),
    /** Largest deviation of a piston from its twin, share of area. */
    PISTON_MISMATCH((s, end) -> s.mismatch()),
    /** Drag felt when a piston is pushed back, slides moved, a cable freed or shoes backed off, Nm. */
    PISTON_BINDS_NM((s, end) ->
            s.deviations.bindsNm[Binds.PISTON.ordinal()] + s.deviations.bindsNm[Binds.SEAL_GROOVE.ordinal()]),
    SLIDES_BIND_NM((s, end) -> s.deviations.bindsNm[Binds.SLIDES.ordinal()]),
    PARKING_BINDS_NM((s, end) -> s.deviations.bindsNm[Binds.PARKING_BRAKE.ordinal()]),
    SHOES_BIND_NM((s, end) -> s.deviations.bindsNm[Binds.SHOES_TIGHT.ordinal()]),
    /** Share of braking lost by linings, worst end. */
    LINING_LOSS((s, end) -> Sensing.highest(s.deviations.liningLost)),
    /** How much slower a kinked or crushed pipe lets fluid pass, s. */
    PIPE_KINKED_SECONDS((s, end) -> s.pipeSeconds()),
    /** Fluid lost at a quick connector in a day, mL. */
    CONNECTOR_LOSS_ML_PER_DAY((s, end) -> s.outsideLossMlPerDay(Component.QuickConnector.class)),
    /** Release travel that worn cover or plates take beyond the sound, mm. */
    CLUTCH_WORN_MM((s, end) -> s.deviations.extraReleaseMm),
    /** Air that stands in the master, and in the modulator, mL. */
    MASTER_AIR_ML((s, end) -> s.airInMl(Component.Master.class)),
    MODULATOR_AIR_ML((s, end) -> s.airInMl(Component.Modulator.class)),
    /** 1 where another assist than the maker's is fitted. */
    WRONG_ASSIST((s, end) -> s.deviations.wrongAssist ? 1 : 0),
    /** Flex of bracket or bulkhead seen while pressed, mm at the rod. */
    BRACKET_MM((s, end) -> s.state.bracketMm());

    /** How it is read off a vehicle. */
    final Sensing.Sense sense;

    Sensed(Sensing.Sense sense) {
        this.sense = sense;
    }
}
