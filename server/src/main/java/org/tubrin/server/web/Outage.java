package org.tubrin.server.web;

import java.sql.SQLException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.health.contributor.Health;
import org.springframework.boot.health.contributor.HealthIndicator;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;

/**
 * Tells failures of the database that pass by themselves from those of our own making, and says in the health of the
 * application which was met last.
 */
@Component("storage")
public class Outage implements HealthIndicator {
    private static final Duration FRESH = Duration.ofSeconds(30);
    /** SQLSTATE classes: data, integrity, and statement are our own doing. Source: PostgreSQL manual, appendix A. */
    private static final String OWN_DOING = "22|23|42|21|0A";

    private final Clock clock;
    private volatile @Nullable Met last;

    Outage(Clock clock) {
        this.clock = clock;
    }

    private record Met(Kind kind, Instant at) {}

    /** Kinds of outage. */
    public enum Kind {
        /** It is away, starting, or stopping; or a connection was not to be had in time. */
        AWAY("noDatabase"),
        /** It has no room left. */
        FULL("diskFull");

        private final String reply;

        Kind(String reply) {
            this.reply = reply;
        }

        /** Returns the name of its reply. */
        public String reply() {
            return reply;
        }
    }

    /** Returns what kind of outage is behind a failure, and notes it; empty where it is none. */
    public Optional<Kind> met(Throwable failure) {
        Optional<Kind> kind = kind(failure);
        kind.ifPresent(one -> last = new Met(one, clock.instant()));
        return kind;
    }

    static Optional<Kind> kind(Throwable failure) {
        boolean ofTheStore = false;
        for (Throwable cause = failure; cause != null; cause = cause.getCause()) {
            if (cause instanceof SQLException sql) {
                String state = sql.getSQLState() == null ? "" : sql.getSQLState();
                if (state.startsWith("53100")) {
                    return Optional.of(Kind.FULL);
                }
                return state.length() >= 2 && state.substring(0, 2).matches(OWN_DOING)
                        ? Optional.empty()
                        : Optional.of(Kind.AWAY);
            }
            ofTheStore |= cause instanceof TransactionException || cause instanceof DataAccessResourceFailureException;
        }
        return ofTheStore ? Optional.of(Kind.AWAY) : Optional.empty();
    }

    @Override
    public Health health() {
        Met met = last;
        if (met == null || met.at().plus(FRESH).isBefore(clock.instant())) {
            return Health.up().build();
        }
        return Health.down().withDetail("met", met.kind().name()).build();
    }
}
