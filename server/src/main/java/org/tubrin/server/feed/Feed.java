package org.tubrin.server.feed;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.locks.LockSupport;
import java.util.function.Predicate;
import java.util.function.Supplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.Steadied;
import org.tubrin.core.station.Instrument;
import org.tubrin.server.station.Stations;

/** Keeps one source going for each instrument of the station, and gives out what they read. */
@Component
public class Feed implements SmartLifecycle {
    private static final Logger LOG = LoggerFactory.getLogger(Feed.class);
    private static final long LOOK_AGAIN_MS = 1000;
    /**
     * A late answer is waited for over so many looks, two seconds or more: one that failed and the next. They are counted, since a
     * machine that stood still for seconds has not waited.
     */
    private static final int LOOKS = 200;

    private static final long BETWEEN_LOOKS_NS = 10_000_000L;

    private final Stations stations;
    private final Hosts hosts;
    private final Map<String, Source> sources = new ConcurrentHashMap<>();
    private volatile boolean running;
    private Thread keeper = new Thread(this::keep, "feed");

    Feed(Stations stations, Hosts hosts) {
        this.stations = stations;
        this.hosts = hosts;
    }

    /** What a source shows now; value in the core's unit. */
    public record Now(String health, Optional<Double> value, Optional<Double> ageS) {}

    /** Returns what the source of a meter's role shows now; empty where it has none. */
    public Optional<Now> now(String meter, ReadingRole role) {
        return source(meter, role).map(source -> {
            Source.Latest latest = source.latest();
            return new Now(
                    latest.health().name(), Optional.ofNullable(latest.value()), Optional.ofNullable(latest.ageS()));
        });
    }

    /** Returns what the source of a meter's role read over the last so many seconds; empty where nothing. */
    public Optional<Steadied> window(String meter, ReadingRole role, double seconds) {
        return source(meter, role).flatMap(source -> source.window(seconds));
    }

    /**
     * Returns whether nothing is to be waited for from the source of a meter's role: its last queries all failed, or it has none.
     */
    public boolean isGone(String meter, ReadingRole role) {
        return source(meter, role).map(Source.Readings::isGone).orElse(true);
    }

    /** Looks until what is seen is all there is to wait for, though no longer than for a late answer; returns what was seen last. */
    public <T> T await(Supplier<T> look, Predicate<T> isAll) {
        T seen = look.get();
        for (int looks = 1; looks < LOOKS && !isAll.test(seen); looks++) {
            LockSupport.parkNanos(BETWEEN_LOOKS_NS);
            seen = look.get();
        }
        return seen;
    }

    private Optional<Source.Readings> source(String meter, ReadingRole role) {
        return sources.values().stream()
                .flatMap(source -> source.of(meter, role).stream())
                .findFirst();
    }

    @Override
    public void start() {
        running = true;
        keeper = new Thread(this::keep, "feed");
        keeper.setDaemon(true);
        keeper.start();
    }

    /** Starts sources for new instruments and ends those of instruments that are gone or changed. */
    private void keep() {
        while (running) {
            try {
                match();
            } catch (RuntimeException e) {
                // The database may be away, or a record be of no use: whatever it is, the keeper goes on.
                LOG.debug("the instruments could not be read; those known go on", e);
            }
            try {
                Thread.sleep(LOOK_AGAIN_MS);
            } catch (InterruptedException stopped) {
                return;
            }
        }
    }

    private void match() {
        Map<String, Instrument> wanted = new HashMap<>();
        for (Stations.Stored kept : stations.readableEquipment()) {
            if (kept.equipment() instanceof Instrument instrument) {
                wanted.put(instrument.name(), instrument);
            }
        }
        for (Map.Entry<String, Source> entry : List.copyOf(sources.entrySet())) {
            if (!entry.getValue().instrument().equals(wanted.get(entry.getKey()))) {
                entry.getValue().close();
                sources.remove(entry.getKey());
            }
        }
        wanted.forEach((name, instrument) -> {
            if (running) {
                sources.computeIfAbsent(name, ignored -> new Source(instrument, hosts));
            }
        });
    }

    @Override
    public void stop() {
        running = false;
        keeper.interrupt();
        new ArrayList<>(sources.values()).forEach(Source::close);
        sources.clear();
    }

    @Override
    public boolean isRunning() {
        return running;
    }
}
