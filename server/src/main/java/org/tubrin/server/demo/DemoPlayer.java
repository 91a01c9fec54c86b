package org.tubrin.server.demo;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.Reading;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.Recorded;
import org.tubrin.core.run.Replay;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.RunState;

/** Writes down the events of a demo's run as time goes on. */
final class DemoPlayer {
    private final List<Recorded> events;
    private Instant now;

    DemoPlayer(List<Recorded> events, Instant now) {
        this.events = events;
        this.now = now;
    }

    Instant now() {
        return now;
    }

    void waits(Duration time) {
        now = now.plus(time);
    }

    RunState state() {
        return Replay.of(events);
    }

    void does(RunEvent event) {
        events.add(new Recorded(events.size() + 1L, now, event));
    }

    void reads(ReadingRole role, String text) {
        RunState state = state();
        Channel channel = state.setup().channelFor(role).orElseThrow();
        double value = Double.parseDouble(text.replace('\u2212', '-'))
                * channel.scaleUnit().inUnit();
        String meter = state.setup().meterFor(role).orElseThrow().name();
        String range = state.ranges().getOrDefault(role, "");
        does(new RunEvent.ReadingTaken(new Reading(role, text, value, meter, range), false));
    }
}
