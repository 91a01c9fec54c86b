package org.tubrin.core.resonance;

/**
 * What is done next.
 *
 * @param act what
 * @param steps short steps of the motor, with their sign; 0 where it stays
 * @param because why
 */
public record NextAct(Act act, int steps, Because because) {
    /** What is done. */
    public enum Act {
        READ,
        MOVE,
        /** It is left alone. */
        LEAVE,
        /** The motor does not mend it. */
        STOP
    }

    /** Why. */
    public enum Because {
        /** Nothing was read in this look. */
        FIRST,
        /** Wind hides it: once more. */
        WIND,
        /** Beyond what is left alone. */
        OFF,
        /** Beyond what an alarm is due for. */
        ALARM,
        /** The step was the wrong way. */
        WRONG_WAY,
        /** The sign turned, or the least was passed, and it was nearer before. */
        BACK,
        IN_TUNE,
        /** The sign turned. */
        TURNED,
        /** Wind leaves no more to be told. */
        AS_WELL_AS_WIND,
        /** Steps change nothing. */
        STUCK,
        /** So many steps, and still off. */
        FAR,
        /** At its least it still disagrees: that is resistance, no reactance. */
        RESISTANCE
    }

    static NextAct read(Because because) {
        return new NextAct(Act.READ, 0, because);
    }

    static NextAct move(int steps, Because because) {
        return new NextAct(Act.MOVE, steps, because);
    }

    static NextAct leave(Because because) {
        return new NextAct(Act.LEAVE, 0, because);
    }

    static NextAct stop(Because because) {
        return new NextAct(Act.STOP, 0, because);
    }
}
