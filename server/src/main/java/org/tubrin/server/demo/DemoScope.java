package org.tubrin.server.demo;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.tubrin.core.advice.Advice;
import org.tubrin.core.advice.Following;
import org.tubrin.core.advice.Move;
import org.tubrin.core.advice.NextMove;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.Customs;
import org.tubrin.core.run.Preset;
import org.tubrin.core.run.Recorded;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.School;
import org.tubrin.core.run.ScopeSteps;
import org.tubrin.core.run.TuneSettings;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.scope.ScopePlan;
import org.tubrin.core.scope.Trace;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Exciter;
import org.tubrin.core.station.Meter;
import org.tubrin.core.station.Mode;
import org.tubrin.core.station.Station;
import org.tubrin.core.station.Termination;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Makes the demo's waveform checks out of what a scope showed: an amplifier loaded too lightly, and as it should be. */
record DemoScope(
        JsonMapper json, Station station, Amplifier amplifier, Exciter exciter, List<Meter> meters, Termination load) {
    private static final int MOST_MOVES = 200;
    private static final Duration KEY_DOWN = Duration.ofSeconds(5);
    private static final Duration HAND = Duration.ofSeconds(8);
    private static final ScopePlan PLAN = new ScopePlan(70, 900);

    /** Returns the events of a check, finished. */
    List<Recorded> events(JsonNode showed, Instant start) {
        List<Recorded> events = new ArrayList<>();
        DemoPlayer player = new DemoPlayer(events, start);
        player.does(new RunEvent.Started(setup()));
        for (int i = 0; i < MOST_MOVES && player.state().ending().isEmpty(); i++) {
            Advice advice = NextMove.of(player.state(), player.now());
            if (advice.move() instanceof Move.KeyAndRead) {
                looks(
                        player,
                        showed.get(ScopeSteps.look(player.state().draft())
                                .orElseThrow()
                                .name()));
            } else {
                Following.events(advice, player.now()).forEach(player::does);
            }
            player.waits(HAND);
        }
        return events;
    }

    private void looks(DemoPlayer player, JsonNode shown) {
        player.does(new RunEvent.Keyed());
        player.waits(KEY_DOWN);
        player.reads(ReadingRole.OUTPUT, shown.get("watts").asString());
        player.reads(ReadingRole.OUTPUT_VPP, shown.get("volts").asString());
        if (shown.has("trace")) {
            player.does(new RunEvent.TraceTaken(json.convertValue(shown.get("trace"), Trace.class)));
        }
        player.does(new RunEvent.Unkeyed());
    }

    private TuneSetup setup() {
        return new TuneSetup(
                station,
                amplifier,
                exciter,
                Mode.CW,
                meters,
                load,
                Band.MHZ_7,
                7.1e6,
                School.WAVEFORM,
                Preset.WITHOUT_DIALS,
                TuneSettings.customaryFor(amplifier.stage()),
                Optional.empty(),
                Optional.empty(),
                Optional.of(Customs.of(PLAN)));
    }
}
