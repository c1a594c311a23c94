package overturn.procedure;

import java.util.Locale;

/** What hands, feet and eyes do in a step; the drawing of the step follows it. */
public enum Gesture {
    ASK,
    BLOCK,
    BLOW,
    CHOCK,
    CLAMP,
    CLOSE,
    COMPARE,
    CRACK,
    DRAW,
    DRIVE,
    FEEL,
    FILL,
    FIT,
    FIT_GAUGE,
    FIT_HOSE,
    FOLLOW,
    HOLD,
    LIFT,
    LISTEN,
    LOOK,
    MEASURE,
    PLUG,
    PRESS,
    PROBE,
    PULL_OFF,
    PUSH,
    READ_GAUGE,
    READ_HEAT,
    READ_NUMBER,
    RELEASE,
    SOAP,
    START,
    STEER,
    STOP,
    TAKE_OFF,
    TAP,
    TURN,
    TURN_WHEEL,
    UNCLAMP,
    UNSCREW,
    WAIT,
    WIPE;

    static Gesture of(String id) {
        return valueOf(id.toUpperCase(Locale.ROOT).replace('-', '_'));
    }
}
