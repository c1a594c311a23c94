package overturn.protocol;

/** What can be sensed from outside. */
public enum Sensed {
    /** Travel from rest at the pedal or lever tip, mm. */
    TRAVEL_MM,
    /** Travel since the mark, mm. */
    SINK_MM,
    /** Free play at the pedal or lever tip, mm. */
    FREE_PLAY_MM,
    /** Lost motion felt when the lever or pedal is rocked, mm. */
    ROCK_MM,
    /** Time in which the pedal or lever comes back, s. */
    RETURN_SECONDS,
    /** Gap between output rod and piston, mm; negative where the rod pushes. */
    OUTPUT_ROD_GAP_MM,
    /** Rod travel while the pedal or lever tip moves 40 mm, mm: two tapes. */
    ROD_MM_PER_40,
    /** How far a wrongly set stop holds the pedal down, mm at the rod. */
    PEDAL_STOP_MM,
    /** 1 where the brake lamp burns with the pedal home. */
    LAMP_LIT,
    /** Rise of the primary compartment since the mark, mm of level. */
    PRIMARY_LEVEL_MM,
    /** Rise of the secondary compartment since the mark, mm of level. */
    SECONDARY_LEVEL_MM,
    /** Fluid below the minimum mark, mL; negative where it stands above the maximum. */
    LEVEL_SHORT_ML,
    /** Line pressure of the chamber that carries most, bar. */
    PRESSURE_BAR,
    /** Share of its stroke that the piston nearest its end has used, 0 to 1. */
    STROKE_USED,
    /** Pressure at one end, bar. */
    END_BAR,
    /** Pressure left at one end with the pedal up, bar. */
    RESIDUAL_BAR,
    /** Share of the braking force that one end gives, against a sound one. */
    BRAKE_SHARE,
    /** Drag of one wheel, Nm. */
    WHEEL_DRAG_NM,
    /** Drag of the wheel that drags most, Nm. */
    WORST_DRAG_NM,
    /** Temperature of one wheel after ten minutes on the road, °C. */
    WHEEL_C,
    /** Fluid that one cracked screw gives per slow stroke, mL. */
    SCREW_ML,
    /** Supply of the assist at its hose: kPa below ambient, or pump bar. */
    SUPPLY,
    /** What the assist holds now, in the unit of its supply. */
    RESERVE,
    /**
     * Air drawn by the assist with the pedal free, by pressing more, and at its joint to the master: share of the
     * supply.
     */
    HISS_FREE,
    HISS_PRESSED,
    HISS_AT_JOINT,
    /** Share of the supply lost at its hose, and how many times slower it refills. */
    SUPPLY_HOSE_LEAK,
    SUPPLY_HOSE_SLOW,
    /** 1 where the check valve leaks, 2 where it never opens. */
    CHECK_VALVE,
    /** Travel taken by air in the assist circuit, mm at the rod. */
    ASSIST_AIR_MM,
    /** Share of the assist that a restricted return keeps on. */
    RETURN_KEPT,
    /** 1 where the modulator works at walking pace. */
    MODULATOR_PULSE,
    /** Slave stroke, mm. */
    SLAVE_STROKE_MM,
    /** Bearing travel beyond what the clutch needs, mm. */
    RELEASE_MARGIN_MM,
    /** Stroke of the slave that never reaches the bearing, mm. */
    FORK_LOSS_MM,
    /** Fluid lost outside in a day of driving, mL. */
    OUTSIDE_LOSS_ML_PER_DAY,
    /** The part of it at the reservoir. */
    RESERVOIR_LOSS_ML_PER_DAY,
    /** The part of it at an end or slave, behind boot or drum. */
    END_LOSS_ML_PER_DAY,
    /** Brake or clutch fluid lost behind the rear seal in a day, mL. */
    HIDDEN_LOSS_ML_PER_DAY,
    /** Steering fluid lost in a day, mL: outside, and into the footwell. */
    ASSIST_LOSS_ML_PER_DAY,
    FOOTWELL_LOSS_ML_PER_DAY,
    /** Air that the screws of front ends, rear ends, or the high loop let out, mL. */
    FRONT_AIR_ML,
    REAR_AIR_ML,
    LOOP_AIR_ML,
    /** 1 where an end stands with its screw below. */
    SCREWS_BELOW,
    /** Water in the fluid, per cent. */
    WATER_PERCENT,
    /** 1 where the fluid is of the wrong kind. */
    WRONG_FLUID,
    /** 0 to 1: how freely the compensating holes pass at rest, whatever covers them; and by themselves. */
    HOLE_OPEN,
    HOLE_CLEAN,
    /** What a stripped master shows: flow past worn lips, mL/min; pits; friction, N. */
    LIP_WEAR,
    BORE_PITTED,
    PISTON_STICKS_N,
    /** Measured bore, mm; of one that is oval the narrower diameter. */
    BORE_MM,
    /** Wider diameter of the bore where the piston works, mm. */
    BORE_WIDER_MM,
    /** 1 where a port feeds the wrong axle. */
    PORTS_CROSSED,
    /** Residual valve pressure found in the master, bar. */
    RESIDUAL_VALVE_BAR,
    /** How far pads stand back before the first press, mm. */
    PUSHED_BACK_MM,
    /** Extra time for the input alone to come back, rod unhooked, s. */
    INPUT_BINDS_SECONDS,
    /** Slave stroke at which the clutch frees, mm. */
    FREES_AT_MM,
    /** Fluid lost at hoses in a day, mL. */
    HOSE_LOSS_ML_PER_DAY,
    /** How many times its own share the hose that swells most takes beyond a sound one. */
    HOSE_SWELLING,
    /** Largest deviation of a piston from its twin, share of area. */
    PISTON_MISMATCH,
    /** Largest deviation of a piston from what the maker lists, share of area. */
    PISTON_OFF_LIST,
    /** Drag felt when a piston is pushed back, slides moved, a cable freed or shoes backed off, Nm. */
    PISTON_BINDS_NM,
    SLIDES_BIND_NM,
    PARKING_BINDS_NM,
    SHOES_BIND_NM,
    /** Share of braking lost by linings, worst end. */
    LINING_LOSS,
    /** How much slower a kinked or crushed pipe lets fluid pass, s. */
    PIPE_KINKED_SECONDS,
    /**
     * Pressure that a shut vent of the reservoir lets stand once it is warm, bar; none where only the level is high.
     */
    VENT_SHUT_BAR,
    /** Fluid lost at a quick connector in a day, mL. */
    CONNECTOR_LOSS_ML_PER_DAY,
    /** Release travel that worn cover or plates take beyond the sound, mm. */
    CLUTCH_WORN_MM,
    /** Air that stands in the master, and in the modulator, mL. */
    MASTER_AIR_ML,
    MODULATOR_AIR_ML,
    /** 1 where another assist than the maker's is fitted. */
    WRONG_ASSIST,
    /** Flex of bracket or bulkhead seen while pressed, mm at the rod. */
    BRACKET_MM,
    /** Way that pedal or lever has left before floor or grip, mm. */
    LEFT_TO_STOP_MM
}
