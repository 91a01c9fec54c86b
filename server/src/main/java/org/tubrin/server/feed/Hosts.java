package org.tubrin.server.feed;

import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.UnknownHostException;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.quantity.Unit;

/**
 * Which hosts may be asked: this machine, and those that the operator listed when starting. The host {@code bench} is the
 * simulated bench, whose instruments are counted from 1.
 */
@Component
class Hosts {
    static final String BENCH = "bench";
    private static final int LAST_PORT = 65_535;
    /**
     * Ports of programs that are no instruments, and that a query sent to them by mistake could harm or confuse. Source:
     * IANA, Service Name and Transport Protocol Port Number Registry.
     */
    private static final Set<Integer> NO_INSTRUMENTS = Set.of(
            7, 9, 19, 20, 21, 22, 23, 25, 53, 67, 68, 69, 79, 80, 88, 110, 111, 113, 119, 123, 135, 137, 138, 139, 143,
            161, 162, 179, 389, 443, 445, 465, 514, 515, 543, 544, 548, 554, 587, 631, 636, 873, 993, 995, 1080, 1433,
            1521, 2049, 2375, 2376, 3128, 3306, 3389, 5060, 5432, 5433, 5672, 5900, 6000, 6379, 6667, 8080, 8443, 9200,
            11_211, 27_017);

    private static final Pattern LITERAL =
            Pattern.compile("(\\d{1,3}(\\.\\d{1,3}){3})|(\\[?[0-9a-fA-F]*:[0-9a-fA-F:.]*\\]?)");

    private final List<String> listed;
    private final Optional<InetSocketAddress> bench;
    private final Set<Integer> own;

    Hosts(
            InstrumentSettings settings,
            @Value("${server.port}") int ownPort,
            @Value("${spring.datasource.url}") String database) {
        listed = settings.hosts();
        Matcher port = Pattern.compile(":(\\d+)/").matcher(database);
        own = Stream.concat(Stream.of(ownPort), port.results().map(found -> Integer.valueOf(found.group(1))))
                .collect(Collectors.toUnmodifiableSet());
        bench = settings.firstOfBench();
    }

    /** Returns the address of an instrument of the bench, counted from 1; empty where there is no such one, or no bench. */
    Optional<InetSocketAddress> bench(int instrument) {
        return bench.filter(first -> instrument >= 1 && first.getPort() + instrument - 1 <= LAST_PORT)
                .map(first -> new InetSocketAddress(first.getAddress(), first.getPort() + instrument - 1));
    }

    /**
     * Returns the address of a host and port; refuses a host that is not listed, and a port of this machine that is known to be
     * no instrument's. A name that is not listed never reaches the resolver.
     */
    InetSocketAddress address(String host, int port) throws UnknownHostException {
        if (host.equalsIgnoreCase(BENCH)) {
            return bench(port).orElseThrow(() -> new UnknownHostException("there is no such instrument on the bench"));
        }
        InetAddress address;
        if (listed.contains(host.toLowerCase(Locale.ROOT))) {
            address = InetAddress.getByName(host);
        } else if (host.equalsIgnoreCase("localhost")) {
            address = InetAddress.getLoopbackAddress();
        } else if (LITERAL.matcher(host).matches()) {
            address = literal(host);
        } else {
            throw notListed(host);
        }
        if (!address.isLoopbackAddress() && !listed.contains(host.toLowerCase(Locale.ROOT))) {
            throw notListed(host);
        }
        if (address.isLoopbackAddress() && (own.contains(port) || NO_INSTRUMENTS.contains(port))) {
            throw new Refused(new Problem(
                    ProblemCode.NO_INSTRUMENT_PORT,
                    "port",
                    Integer.toString(port),
                    new Allowed.Range(1024, LAST_PORT, Unit.ONE)));
        }
        return new InetSocketAddress(address, port);
    }

    private InetAddress literal(String host) {
        try {
            return InetAddress.getByName(host);
        } catch (UnknownHostException noAddress) {
            throw notListed(host);
        }
    }

    private Refused notListed(String host) {
        return new Refused(new Problem(
                ProblemCode.HOST_NOT_LISTED,
                "host",
                host,
                new Allowed.OneOf(Stream.concat(Stream.of("127.0.0.1", BENCH), listed.stream())
                        .toList())));
    }
}
