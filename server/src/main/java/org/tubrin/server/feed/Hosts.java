package org.tubrin.server.feed;

import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.UnknownHostException;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;

/**
 * Which hosts may be asked: this machine, and those that the operator listed when starting. The host {@code bench} is the
 * simulated bench, whose instruments are counted from 1.
 */
@Component
class Hosts {
    static final String BENCH = "bench";

    private final List<String> listed;
    private final Optional<InetSocketAddress> bench;

    Hosts(@Value("${tubrin.instrument-hosts}") String listed, @Value("${tubrin.bench}") String bench) {
        this.listed = Stream.of(listed.split(",", -1))
                .map(host -> host.strip().toLowerCase(Locale.ROOT))
                .filter(host -> !host.isEmpty())
                .toList();
        this.bench = bench.isBlank() ? Optional.empty() : Optional.of(parse(bench.strip()));
    }

    private static InetSocketAddress parse(String hostAndPort) {
        int colon = hostAndPort.lastIndexOf(':');
        return new InetSocketAddress(
                hostAndPort.substring(0, colon), Integer.parseInt(hostAndPort.substring(colon + 1)));
    }

    /** Returns the address of an instrument of the bench, counted from 1; empty where there is no bench. */
    Optional<InetSocketAddress> bench(int instrument) {
        return bench.map(first -> new InetSocketAddress(first.getAddress(), first.getPort() + instrument - 1));
    }

    /** Returns the address of a host and port; refuses a host that is not listed. */
    InetSocketAddress address(String host, int port) throws UnknownHostException {
        if (host.equalsIgnoreCase(BENCH)) {
            return bench(port).orElseThrow(() -> new UnknownHostException("there is no bench"));
        }
        if (listed.contains(host.toLowerCase(Locale.ROOT))) {
            return new InetSocketAddress(InetAddress.getByName(host), port);
        }
        InetAddress address = host.equalsIgnoreCase("localhost") || host.matches("[0-9.:\\[\\]a-fA-F]+")
                ? InetAddress.getByName(host)
                : null;
        if (address == null || !address.isLoopbackAddress()) {
            throw new Refused(new Problem(
                    ProblemCode.HOST_NOT_LISTED,
                    "host",
                    host,
                    new Allowed.OneOf(Stream.concat(Stream.of("127.0.0.1", BENCH), listed.stream())
                            .toList())));
        }
        return new InetSocketAddress(address, port);
    }
}
