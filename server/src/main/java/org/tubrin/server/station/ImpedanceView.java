package org.tubrin.server.station;

import org.tubrin.core.tank.ImpedancePoint;
import org.tubrin.core.tank.Mismatch;

/** What an antenna shows at one frequency. */
public record ImpedanceView(double frequencyHz, double ohm, double reactanceOhm, double swr) {
    static ImpedanceView of(ImpedancePoint point) {
        double swr = Mismatch.swr(point.ohm(), point.reactanceOhm());
        return new ImpedanceView(point.frequencyHz(), point.ohm(), point.reactanceOhm(), swr);
    }
}
