package org.tubrin.core.station;

import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/**
 * Where a meter's readings come from over the network: any instrument that answers a query of one line with a number.
 *
 * @param name what it is called
 * @param host name or address
 * @param port 1 to 65 535
 * @param query one SCPI query, ended by a question mark, so that it can only ask
 * @param factor what the answer is multiplied by to come to watts, amperes or volts, 1e-9 to 1e9
 * @param meter name of the meter record whose class and ranges hold
 * @param role what of that meter it reads
 * @param pollS time between two queries, 0.02 to 60 s
 * @param timeoutS how long an answer may take, 0.05 to 30 s
 */
public record Instrument(
        String name,
        String host,
        int port,
        String query,
        double factor,
        String meter,
        ReadingRole role,
        double pollS,
        double timeoutS)
        implements Equipment {
    public Instrument {
        new Checks()
                .name("name", name)
                .text("host", host, 1, 253)
                .range("port", port, 1, 65_535, Unit.ONE)
                .text("query", query, 2, 200)
                .matches("query", query, "[\\x21-\\x7e&&[^;?]][\\x20-\\x7e&&[^;?]]*\\?", new Allowed.Nothing())
                .range("factor", factor, 1e-9, 1e9, Unit.ONE)
                .name("meter", meter)
                .range("pollS", pollS, 0.02, 60, Unit.SECOND)
                .range("timeoutS", timeoutS, 0.05, 30, Unit.SECOND)
                .done();
    }

    @Override
    public <T> T in(Cases<T> cases) {
        return cases.instrument(this);
    }
}
