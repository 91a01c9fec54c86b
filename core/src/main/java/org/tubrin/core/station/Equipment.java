package org.tubrin.core.station;

/** One box of the station. */
public sealed interface Equipment
        permits Exciter, Pad, Amplifier, Meter, Termination, Instrument, Supply, Battery, Candidate {

    /** What is done about each kind of box; what is added to the kinds must be answered everywhere. */
    interface Cases<T> {
        T exciter(Exciter exciter);

        T pad(Pad pad);

        T amplifier(Amplifier amplifier);

        T meter(Meter meter);

        T load(Load load);

        T antenna(Antenna antenna);

        T instrument(Instrument instrument);

        T supply(Supply supply);

        T battery(Battery battery);

        T candidate(Candidate candidate);
    }

    /** Returns the answer of the case that this is. */
    <T> T in(Cases<T> cases);

    /** Returns the name that the operator calls it by, 1 to 80 characters. */
    String name();
}
