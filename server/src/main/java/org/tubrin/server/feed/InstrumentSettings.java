package org.tubrin.server.feed;

import java.net.InetSocketAddress;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;

/**
 * Where instruments may be, as it is set at the start; what cannot be meant is told there.
 *
 * @param instrumentHosts names and addresses that an instrument may have beside those of this machine, by commas
 * @param bench where the first instrument of the simulated bench is, as host:port; empty where there is no bench
 */
@ConfigurationProperties("tubrin")
record InstrumentSettings(
        @DefaultValue("") String instrumentHosts,
        @DefaultValue("") String bench) {
    private static final Pattern HOST_AND_PORT = Pattern.compile("([A-Za-z0-9.\\-\\[\\]:]+):(\\d{1,5})");
    private static final Pattern HOST = Pattern.compile("[A-Za-z0-9.\\-:\\[\\]]+");
    private static final int LAST_PORT = 65_535;

    InstrumentSettings {
        bench = bench.strip();
        Matcher parts = HOST_AND_PORT.matcher(bench);
        if (!bench.isEmpty()
                && (!parts.matches()
                        || Integer.parseInt(parts.group(2)) < 1
                        || Integer.parseInt(parts.group(2)) > LAST_PORT)) {
            throw new IllegalArgumentException(
                    "TUBRIN_BENCH is “" + bench
                            + "”. Give the host and the port of the bench's first instrument, such as 127.0.0.1:5025, or leave it empty.");
        }
        for (String host : instrumentHosts.split(",", -1)) {
            if (!host.isBlank() && !HOST.matcher(host.strip()).matches()) {
                throw new IllegalArgumentException(
                        "TUBRIN_INSTRUMENT_HOSTS holds “" + host.strip()
                                + "”, which is no host. Give names or addresses with commas between them, such as meter.local,192.168.1.20.");
            }
        }
    }

    /** Returns the hosts in small letters. */
    List<String> hosts() {
        return Stream.of(instrumentHosts.split(",", -1))
                .map(host -> host.strip().toLowerCase(Locale.ROOT))
                .filter(host -> !host.isEmpty())
                .toList();
    }

    /** Returns where the bench's first instrument is. */
    Optional<InetSocketAddress> firstOfBench() {
        Matcher parts = HOST_AND_PORT.matcher(bench);
        return parts.matches()
                ? Optional.of(new InetSocketAddress(parts.group(1), Integer.parseInt(parts.group(2))))
                : Optional.empty();
    }
}
