package org.tubrin.server.run;

import java.util.List;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.stereotype.Component;

/** Calculates at the start the figures and small stairs of runs that were kept by an earlier version, which had none or other ones. */
@Component
class FiguresAtStart implements ApplicationRunner {
    private static final Logger LOG = LoggerFactory.getLogger(FiguresAtStart.class);
    private static final int AT_A_TIME = 200;

    private final RunStore store;

    FiguresAtStart(RunStore store) {
        this.store = store;
    }

    @Override
    public void run(ApplicationArguments arguments) {
        int all = 0;
        List<UUID> done = store.calculateFigures(new UUID(0, 0), AT_A_TIME);
        while (!done.isEmpty()) {
            all += done.size();
            done = store.calculateFigures(done.get(done.size() - 1), AT_A_TIME);
        }
        if (all > 0) {
            LOG.info("Calculated the figures of {} runs for the trends.", all);
        }
    }
}
