package org.tubrin.server.feed;

import java.io.IOException;
import java.net.InetSocketAddress;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.SeenSign;
import org.tubrin.core.scope.Look;
import org.tubrin.core.scope.Trace;
import org.tubrin.core.station.Band;
import org.tubrin.core.tank.ImpedancePoint;

/**
 * The key, drive and dials of the simulated bench, and of nothing else: what answers must say that it is the simulated bench
 * before anything is set.
 */
@Component
public class BenchLink implements SmartLifecycle {
    private static final Logger LOG = LoggerFactory.getLogger(BenchLink.class);
    private static final String IDENTITY = "Tubrin,Simulated bench";
    private static final int EXCITER = 1;
    private static final int AMPLIFIER = 2;
    private static final int WATTMETER = 3;
    private static final int SUPPLY = 6;
    private static final int SCOPE = 7;
    /** Three beats of its tones. */
    private static final double SPAN_S = 3e-3;
    /** Five periods of twice the mains, or six. */
    private static final double SLOW_SPAN_S = 0.05;

    private static final int TIMEOUT_MS = 1000;
    private static final long POLL_MS = 50;
    private static final long AWAY_MS = 500;
    /** One look that came late on a busy machine does not take it off the list. */
    private static final long MISSED_NS = 5_000_000_000L;

    private final Hosts hosts;
    private final Line[] lines = new Line[SCOPE + 1];
    private volatile Optional<Panel> panel = Optional.empty();
    private volatile Optional<Sight> last = Optional.empty();
    /** When the key was first seen down, by {@link System#nanoTime}; meaningless while it is up. */
    private volatile long keyedSinceNs;
    /** When anything of it was set last, by {@link System#nanoTime}. */
    private volatile long setAtNs = System.nanoTime();

    private volatile boolean running;
    private Thread watcher = new Thread(this::watch, "bench");

    BenchLink(Hosts hosts) {
        this.hosts = hosts;
    }

    /** What the panels of the bench show. */
    public record Panel(
            boolean keyed,
            double exciterW,
            double frequencyHz,
            double plate,
            double load,
            Band band,
            boolean operate,
            boolean tripped,
            double heaterS,
            String amplifier,
            double warmUpSpeed,
            Optional<SeenSign> trip,
            double toneHz,
            double level,
            int device,
            double pot,
            double padDb,
            double supplyV,
            double modules,
            double motor) {}

    private record Sight(Panel panel, long atNs) {}

    /** Returns whether a bench was named when the application started. */
    public boolean isNamed() {
        return hosts.bench(EXCITER).isPresent();
    }

    /** Returns what its panels show; empty while it is away. */
    public Optional<Panel> panel() {
        return panel;
    }

    /** Returns what its panels showed last; empty once nothing was seen of it for some seconds. */
    public Optional<Panel> lastPanel() {
        return last.filter(sight -> System.nanoTime() - sight.atNs() < MISSED_NS)
                .map(Sight::panel);
    }

    /** Returns for how long its key has been down; empty while it is up or the bench away. */
    public Optional<Double> keyedForS() {
        return panel.filter(Panel::keyed).map(shown -> (System.nanoTime() - keyedSinceNs) / 1e9);
    }

    /** Returns for how long nothing of it was set. */
    public double unchangedForS() {
        return (System.nanoTime() - setAtNs) / 1e9;
    }

    private void show(Optional<Panel> seen) {
        boolean goesDown = seen.filter(Panel::keyed).isPresent()
                && panel.filter(Panel::keyed).isEmpty();
        if (goesDown) {
            keyedSinceNs = System.nanoTime();
        }
        panel = seen;
        seen.ifPresent(shown -> last = Optional.of(new Sight(shown, System.nanoTime())));
    }

    /** Keys or unkeys its exciter; refuses where it is away. */
    public void key(boolean down) {
        set(EXCITER, "OUTP " + onOff(down));
        panel.ifPresent(shown -> show(look()));
    }

    /** Moves a control to a place in its unit. */
    public void turn(Control control, double to) {
        switch (control) {
            case DRIVE -> set(EXCITER, "SOUR:POW " + number(to));
            case PLATE -> set(AMPLIFIER, "PAN:PLAT " + number(to));
            case LOAD -> set(AMPLIFIER, "PAN:LOAD " + number(to));
            case TONE -> set(EXCITER, "SOUR:TONE " + number(to));
            case LEVEL -> set(EXCITER, "SOUR:LEV " + number(to));
            case DEVICE -> set(AMPLIFIER, "PAN:BIAS:DEV " + number(to));
            case POT -> set(AMPLIFIER, "PAN:BIAS:POT " + number(to));
            case ATTENUATOR -> pad(to);
            case POWER_AMPLIFIER -> operate(to > 0);
            case LOOK -> look(Look.at(to));
            case SUPPLY -> set(AMPLIFIER, "PAN:SUPP " + number(to));
            case MODULES -> set(AMPLIFIER, "PAN:MOD " + number(to));
            case MOTOR -> set(AMPLIFIER, "PAN:MOT " + number(to));
            case MATCHER -> set(AMPLIFIER, "PAN:MATC " + onOff(to > 0));
            case WATTMETERS -> {
                // Both of the bench sit in one place.
            }
        }
        show(look());
    }

    private void look(Look look) {
        operate(look.amplifies());
        tones(look.hasTones());
        set(SCOPE, "WAV:SPAN " + number(look.shows() == Look.Shows.RIPPLE ? SLOW_SPAN_S : SPAN_S));
    }

    /** Lets its exciter send two equal tones, or a carrier. */
    public void tones(boolean on) {
        set(EXCITER, "SOUR:TON " + onOff(on));
    }

    /** Returns one sweep of its scope; empty where it is away or says no trace. */
    public synchronized Optional<Trace> sweep() {
        try {
            double[] said = Stream.of(line(SCOPE).ask("WAV:DATA?", TIMEOUT_MS).split(",", -1))
                    .mapToDouble(Double::parseDouble)
                    .toArray();
            List<Double> low = new ArrayList<>();
            List<Double> high = new ArrayList<>();
            List<Double> drive = new ArrayList<>();
            for (int i = 1; i + 2 < said.length; i += 3) {
                low.add(Math.min(said[i], said[i + 1]));
                high.add(Math.max(said[i], said[i + 1]));
                drive.add(said[i + 2]);
            }
            return Optional.of(new Trace(said[0], low, high, drive));
        } catch (IOException | NumberFormatException | Refused e) {
            drop(SCOPE);
            return Optional.empty();
        }
    }

    /** Sets the band switch, which must not be turned keyed. */
    public void band(Band band) {
        set(AMPLIFIER, "PAN:BAND " + band.name());
    }

    /** Sets the exciter's frequency in hertz. */
    public void frequency(double hz) {
        set(EXCITER, "SOUR:FREQ " + number(hz));
    }

    /** Puts a pad of so many decibels behind its exciter; 0 for none. */
    public void pad(double attenuationDb) {
        set(AMPLIFIER, "ROUT:PAD " + number(attenuationDb));
    }

    /** Puts an antenna in the dummy load's place, with what it shows in ohms; the load again for none. */
    public void antenna(Optional<ImpedancePoint> shows) {
        set(
                AMPLIFIER,
                shows.map(one -> "ROUT:ANT " + number(one.ohm()) + "," + number(one.reactanceOhm()))
                        .orElse("ROUT:ANT:NONE"));
    }

    /** Puts the antenna that drifts in the load's place, its motor as it was delivered; or takes it away. */
    public void drifts(boolean on) {
        set(AMPLIFIER, "ROUT:ANT:DRIF " + onOff(on));
    }

    /** Lets its exciter send pulses of a duty factor; 1 for a carrier. */
    public void pulse(double dutyFactor) {
        set(EXCITER, "SOUR:PULS:DCYC " + number(dutyFactor));
    }

    /** Switches its wattmeter between average and peak hold. */
    public void detector(boolean peak) {
        set(WATTMETER, "SENS:DET " + (peak ? "PEAK" : "AVERAGE"));
    }

    /** Sets the wattmeter's range by its end in watts. */
    public void range(double fullScaleW) {
        set(WATTMETER, "SENS:POW:RANG " + number(fullScaleW));
    }

    /** Puts the amplifier of a name on the bench, by the name's first word, where it is another one. */
    public void amplifier(String name) {
        String code = firstWord(name);
        if (panel.map(shown -> !shown.amplifier().equals(code)).orElse(true)) {
            set(AMPLIFIER, "ROUT:AMPL " + code);
        }
    }

    /** Puts the exciter of a name on the bench, by the name's first word, with a firmware where one is known. */
    public void exciter(String name, Optional<String> firmware) {
        set(EXCITER, "ROUT:EXC " + firstWord(name));
        firmware.ifPresent(version -> set(EXCITER, "SYST:FIRM " + version));
    }

    /** Lets its exciter send sound at a level, or a carrier. */
    public void sounding(boolean on) {
        set(EXCITER, "SOUR:SOUN " + onOff(on));
    }

    /** Lets it be keyed without drive, with all bias pots at their minimum; or with drive again. */
    public void biasing(boolean on) {
        set(AMPLIFIER, "PAN:BIAS " + onOff(on));
    }

    /** Puts its amplifier in operate or standby. */
    public void operate(boolean on) {
        set(AMPLIFIER, "PAN:OPER " + onOff(on));
    }

    /** Feeds its exciter from the supply of a name, by the name's first word. */
    public void supply(String name) {
        set(SUPPLY, "ROUT:SUPP " + firstWord(name));
    }

    private static String firstWord(String name) {
        return name.strip().split("\\s+", 2)[0].toUpperCase(Locale.ROOT);
    }

    /** Resets a trip. */
    public void reset() {
        set(AMPLIFIER, "PAN:RES");
    }

    private static String onOff(boolean on) {
        return on ? "ON" : "OFF";
    }

    private static String number(double value) {
        return String.format(Locale.ROOT, "%.6f", value);
    }

    private synchronized void set(int instrument, String command) {
        String said;
        try {
            said = said(instrument, command);
        } catch (IOException first) {
            // A line that was left open to a bench that has been started anew is dead: once more on a fresh one.
            drop(instrument);
            try {
                said = said(instrument, command);
            } catch (IOException e) {
                drop(instrument);
                show(Optional.empty());
                throw new Refused(new Problem(ProblemCode.BENCH_AWAY, "bench", "", new Allowed.Nothing()));
            }
        }
        setAtNs = System.nanoTime();
        if (!said.startsWith("0,")) {
            throw new Refused(new Problem(ProblemCode.BENCH_REFUSES, "bench", said, new Allowed.Nothing()));
        }
    }

    /** Says a command and returns what the instrument's error queue says of it, so that it has been taken on return. */
    private String said(int instrument, String command) throws IOException {
        return line(instrument).ask(command + ";SYST:ERR?", TIMEOUT_MS);
    }

    private synchronized Optional<Panel> look() {
        try {
            return Optional.of(read(line(AMPLIFIER).ask("PAN:ALL?", TIMEOUT_MS)));
        } catch (IOException | IllegalArgumentException | IndexOutOfBoundsException e) {
            drop(AMPLIFIER);
            return Optional.empty();
        }
    }

    private static Panel read(String answer) {
        List<String> parts = List.of(answer.split(",", -1));
        return new Panel(
                parts.get(0).equals("1"),
                Double.parseDouble(parts.get(1)),
                Double.parseDouble(parts.get(2)),
                Double.parseDouble(parts.get(3)),
                Double.parseDouble(parts.get(4)),
                Band.valueOf(parts.get(5)),
                parts.get(6).equals("1"),
                parts.get(7).equals("1"),
                Double.parseDouble(parts.get(8)),
                parts.get(9),
                Double.parseDouble(parts.get(10)),
                parts.get(11).equals("NONE") ? Optional.empty() : Optional.of(SeenSign.valueOf(parts.get(11))),
                Double.parseDouble(parts.get(12)),
                Double.parseDouble(parts.get(13)),
                Integer.parseInt(parts.get(14)),
                Double.parseDouble(parts.get(15)),
                Double.parseDouble(parts.get(16)),
                Double.parseDouble(parts.get(17)),
                Double.parseDouble(parts.get(18)),
                Double.parseDouble(parts.get(19)));
    }

    private Line line(int instrument) throws IOException {
        @Nullable Line known = lines[instrument];
        if (known != null) {
            return known;
        }
        InetSocketAddress address = hosts.bench(instrument).orElseThrow(() -> new IOException("no bench was named"));
        Line line = Line.to(address, TIMEOUT_MS);
        if (!line.ask("*IDN?", TIMEOUT_MS).startsWith(IDENTITY)) {
            line.close();
            throw new IOException("what answers is not the simulated bench");
        }
        lines[instrument] = line;
        return line;
    }

    @SuppressWarnings("NullAway") // an empty place means: not connected
    private void drop(int instrument) {
        Line line = lines[instrument];
        if (line != null) {
            line.close();
            lines[instrument] = null;
        }
    }

    @Override
    public void start() {
        running = true;
        if (isNamed()) {
            show(look());
            watcher = new Thread(this::watch, "bench");
            watcher.setDaemon(true);
            watcher.start();
        }
    }

    private void watch() {
        while (running) {
            try {
                show(look());
            } catch (RuntimeException e) {
                LOG.warn("the bench could not be looked at; it is looked at again", e);
            }
            try {
                Thread.sleep(panel.isPresent() ? POLL_MS : AWAY_MS);
            } catch (InterruptedException stopped) {
                return;
            }
        }
    }

    @Override
    public void stop() {
        running = false;
        watcher.interrupt();
    }

    @Override
    public boolean isRunning() {
        return running;
    }
}
