package org.tubrin.bench;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Timer;
import java.util.TimerTask;
import java.util.function.Consumer;
import java.util.function.ToDoubleFunction;
import org.tubrin.core.alc.LevelPoint;
import org.tubrin.core.alc.SoundPath;
import org.tubrin.core.run.ResonanceSteps;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Stage;
import org.tubrin.core.tank.ImpedancePoint;

/** The instruments of the simulated station, on ports in a row, and the clock that moves it. */
public final class Bench implements AutoCloseable {
    /** Instruments in the order of their ports. */
    public static final int INSTRUMENTS = 7;

    private static final int DEVICES = SkerryPoint.KETCH_BIAS.deviceCount();
    private static final Stage.Switching STAGE = SkerryPoint.LUGGER;
    private static final int TICK_MS = 20;
    private final SimulatedStation station;
    private final List<ScpiServer> servers = new ArrayList<>();
    private final Timer clock = new Timer("bench-clock", true);
    private long last = System.nanoTime();

    /** Serves a station from a first port on; 0 for any free ones. */
    public Bench(SimulatedStation station, int firstPort) throws IOException {
        this.station = station;
        List<Instrument> instruments = List.of(
                exciter(), panelOfAmplifier(), wattmeter(), panelMeters(), loadProbe(), supply(), driveMeters());
        try {
            for (int i = 0; i < instruments.size(); i++) {
                servers.add(new ScpiServer(instruments.get(i), firstPort == 0 ? 0 : firstPort + i));
            }
        } catch (IOException e) {
            close();
            throw e;
        }
        clock.schedule(
                new TimerTask() {
                    @Override
                    public void run() {
                        tick();
                    }
                },
                TICK_MS,
                TICK_MS);
    }

    private void tick() {
        long now = System.nanoTime();
        station.pass(Math.min(1, (now - last) / 1e9));
        last = now;
    }

    /** Returns the port of an instrument, counted from 0. */
    public int port(int instrument) {
        return servers.get(instrument).port();
    }

    private Instrument exciter() {
        return new Instrument("exciter")
                .toggle("OUTPut", station::keyed, station::key)
                .toggle("OUTPut:STATe", station::keyed, station::key)
                .level("SOURce:POWer", 0.1, 100, station::exciterW, station::exciterW)
                .toggle("SOURce:SOUNd", station::sounding, station::sounding)
                .toggle("SOURce:TONes", station::tones, station::tones)
                .level("SOURce:LEVel", LevelPoint.LEAST_LEVEL, 1, station::level, station::level)
                .level("SOURce:TONE", SoundPath.LOWEST_HZ, SoundPath.HIGHEST_HZ, station::toneHz, station::toneHz)
                .number("MEASure:ALC", station::gauge)
                .number("MEASure:WIDTh", station::signalWidthHz)
                .query("SYSTem:FIRMware", station::firmware)
                .set("SYSTem:FIRMware", station::firmware)
                .query("ROUTe:EXCiter", () -> station.exciter().name())
                .set("ROUTe:EXCiter", text -> station.exciter(Instrument.word(text, BenchExciter.values())))
                .level("SOURce:PULSe:DCYCle", 0.05, 1, station::dutyFactor, station::dutyFactor)
                .level("SOURce:FREQuency", 1e5, 54e6, station::frequencyHz, station::frequencyHz);
    }

    private Instrument panelOfAmplifier() {
        return new Instrument("amplifier")
                .level(
                        "PANel:PLATe",
                        -1000,
                        2000,
                        () -> station.plate().shown(),
                        mark -> station.plate().turn(mark))
                .level(
                        "PANel:LOAD",
                        -1000,
                        2000,
                        () -> station.load().shown(),
                        mark -> station.load().turn(mark))
                .query("PANel:BAND", () -> station.band().name())
                .set("PANel:BAND", text -> {
                    if (station.keyed()) {
                        throw ScpiError.settingsConflict("the band switch arcs when it is turned keyed");
                    }
                    station.band(Instrument.word(text, Band.values()));
                })
                .toggle("PANel:OPERate", station::operate, station::operate)
                .query("PANel:MATCher", () -> station.matcherInLine() ? "1" : "0")
                .set("PANel:MATCher", text -> {
                    if (!station.matcherInLine(Instrument.isOn(text))) {
                        throw ScpiError.settingsConflict("only the Dinghy has a matcher on this bench");
                    }
                })
                .set("PANel:HEATer", text -> station.heater(Instrument.isOn(text)))
                .number("PANel:HEATer:TIME", station::heaterS)
                .query("PANel:TRIP:KIND", () -> station.trip().map(Enum::name).orElse("NONE"))
                .query("PANel:TRIP", () -> station.tripped() ? "1" : "0")
                .command("PANel:RESet", station::reset)
                .query("ROUTe:AMPLifier", station::amplifierName)
                .set("ROUTe:AMPLifier", text -> {
                    Placed placed = Instrument.word(text, Placed.values());
                    switch (placed) {
                        case BRIGANTINE -> station.place(SkerryPoint.BRIGANTINE);
                        case BARQUE -> station.place(SkerryPoint.BARQUE);
                        case KETCH -> station.place(placed.name(), SkerryPoint.KETCH);
                        case DINGHY -> station.place(placed.name(), SkerryPoint.DINGHY);
                        case LUGGER -> station.placeSwitching();
                    }
                })
                .query("ROUTe:AMPLifier:FOReign", () -> station.isForeign() ? "1" : "0")
                .set("ROUTe:AMPLifier:FOReign", text -> station.foreign(Instrument.isOn(text)))
                .level("ROUTe:PAD", 0, 60, station::padDb, station::padDb)
                .set("ROUTe:LOAD", text -> station.loadOpen(Instrument.word(text, Cable.values()) == Cable.OPEN))
                .set("ROUTe:ANTenna", text -> station.antenna(Optional.of(impedance(text))))
                .command("ROUTe:ANTenna:NONE", () -> station.antenna(Optional.empty()))
                .query("PANel:BIAS", () -> station.biasing() ? "1" : "0")
                .set("PANel:BIAS", text -> {
                    boolean on = Instrument.isOn(text);
                    if (on && !station.amplifierName().equals(Placed.KETCH.name())) {
                        throw ScpiError.settingsConflict("only the Ketch has bias pots on this bench");
                    }
                    station.biasing(on);
                })
                .level("PANel:BIAS:DEVice", 0, DEVICES, station::device, number -> station.device((int) number))
                .level("PANel:BIAS:POT", 0, SkerryPoint.KETCH_BIAS.potTurns(), station::pot, station::pot)
                .set("PANel:BIAS:MOUNt", text -> station.badlyMounted((int) Instrument.within(text, 0, DEVICES)))
                .level("PANel:ALC", 0, 2000, station::pullsBackW, station::pullsBackW)
                .set("PANel:GATE:FOLLow", text -> station.gateFollows(Instrument.isOn(text)))
                .level("PANel:SUPPly", STAGE.leastSupplyDcV(), STAGE.mostSupplyDcV(), this::supplyV, this::supplyV)
                .level("PANel:MODules", 1, STAGE.moduleCount(), this::modules, this::modules)
                .set("ROUTe:ANTenna:DRIFt", text -> station.drifts(Instrument.isOn(text)))
                .level(
                        "PANel:MOTor",
                        -ResonanceSteps.MOST_STEPS,
                        ResonanceSteps.MOST_STEPS,
                        () -> of(DriftingAntenna::motor),
                        steps -> wire(one -> one.motor(steps)))
                .level(
                        "WEATher:RAIN",
                        -1e5,
                        1e5,
                        () -> of(DriftingAntenna::rain),
                        hertz -> wire(one -> one.rain(hertz)))
                .level("WEATher:WIND", 0, 1000, () -> of(DriftingAntenna::wind), hertz -> wire(one -> one.wind(hertz)))
                .query("PANel:ALL", this::all);
    }

    private double supplyV() {
        return station.switching().map(SwitchingAmplifier::supplyV).orElse(0.0);
    }

    private void supplyV(double volts) {
        station.switching().ifPresent(stage -> stage.supplyV(volts));
    }

    private double modules() {
        return station.switching().map(SwitchingAmplifier::modules).orElse(0);
    }

    private void modules(double count) {
        station.switching().ifPresent(stage -> stage.modules((int) count));
    }

    private double of(ToDoubleFunction<DriftingAntenna> figure) {
        return station.drifting().stream().mapToDouble(figure).findFirst().orElse(0);
    }

    private void wire(Consumer<DriftingAntenna> does) {
        station.drifting().ifPresent(does);
    }

    /** Returns what an antenna shows, from its resistance and reactance in ohms, parted by a comma. */
    private static ImpedancePoint impedance(String text) throws ScpiError {
        int comma = text.indexOf(',');
        String ohm = comma < 0 ? text : text.substring(0, comma);
        String reactanceOhm = comma < 0 ? "0" : text.substring(comma + 1);
        return new ImpedancePoint(
                1e6, Instrument.within(ohm.strip(), 1, 5000), Instrument.within(reactanceOhm.strip(), -5000, 5000));
    }

    private enum Placed {
        BRIGANTINE,
        BARQUE,
        KETCH,
        DINGHY,
        LUGGER
    }

    private enum Cable {
        BALLAST,
        OPEN
    }

    /** Returns all that the panels show in one line, so that a client asks once a tick. */
    private String all() {
        return String.join(
                ",",
                station.keyed() ? "1" : "0",
                Double.toString(station.exciterW()),
                Double.toString(station.frequencyHz()),
                Double.toString(station.plate().shown()),
                Double.toString(station.load().shown()),
                station.band().name(),
                station.operate() ? "1" : "0",
                station.tripped() ? "1" : "0",
                Double.toString(station.heaterS()),
                station.amplifierName(),
                Double.toString(station.warmUpSpeed()),
                station.trip().map(Enum::name).orElse("NONE"),
                Double.toString(station.toneHz()),
                Double.toString(station.level()),
                Integer.toString(station.device()),
                Double.toString(station.pot()),
                Double.toString(station.padDb()),
                Double.toString(supplyV()),
                Double.toString(modules()),
                Double.toString(of(DriftingAntenna::motor)));
    }

    private Instrument wattmeter() {
        return new Instrument("wattmeter Fathom")
                .number("MEASure:POWer", () -> station.shows(station.output))
                .number("MEASure:POWer:FORWard", () -> station.shows(station.output))
                .number("MEASure:POWer:REFLected", () -> station.shows(station.reflected))
                .number("MEASure:POWer:OTHer", () -> station.shows(station.second))
                .number("SENSe:POWer:RANGe", station.output::range)
                .set("SENSe:POWer:RANGe", text -> {
                    double end = Instrument.within(text, 150, 1500);
                    station.output.range(end > 150 ? 1500 : 150);
                    station.reflected.range(end > 150 ? 1500 : 150);
                })
                .set("SENSe:DETector", text -> station.held(Instrument.word(text, Detector.values()) == Detector.PEAK));
    }

    private enum Detector {
        AVERAGE,
        PEAK
    }

    private Instrument panelMeters() {
        return new Instrument("panel meters")
                .number("MEASure:CURRent", () -> station.shows(station.plateCurrent))
                .number("MEASure:CURRent:PLATe", () -> station.shows(station.plateCurrent))
                .number("MEASure:CURRent:GRID", () -> station.shows(station.gridCurrent))
                .number("MEASure:CURRent:SCReen", () -> station.shows(station.screenCurrent))
                .number("MEASure:VOLTage", () -> station.shows(station.plateVoltage))
                .number("MEASure:VOLTage:PLATe", () -> station.shows(station.plateVoltage));
    }

    private Instrument loadProbe() {
        return new Instrument("load Ballast 1000")
                .number("MEASure:TEMPerature", station::loadC)
                .number("MEASure:RESistance", station::loadOhm);
    }

    private Instrument supply() {
        return new Instrument("supply")
                .query("ROUTe:SUPPly", () -> station.feeder().name())
                .set("ROUTe:SUPPly", text -> station.feeder(Instrument.word(text, Feeder.values())))
                .number("MEASure:VOLTage", () -> station.shows(station.supplyVoltage))
                .number("MEASure:CURRent", () -> station.shows(station.supplyCurrent));
    }

    private Instrument driveMeters() {
        ScopeTap scope = station.scope();
        return new Instrument("drive meters")
                .number("MEASure:POWer", () -> station.shows(station.inputPower))
                .number("MEASure:OUTPut:WIDE", () -> station.shows(station.wideOutput))
                .number("MEASure:OUTPut", () -> station.shows(station.smallOutput))
                .number("MEASure:SWR", () -> Math.max(1, station.shows(station.inputSwr)))
                .number("MEASure:TEMPerature", () -> station.shows(station.heatSink))
                .number("MEASure:VOLTage", () -> station.shows(station.stageVoltage))
                .number("MEASure:CURRent", () -> station.shows(station.stageCurrent))
                .number("MEASure:SENSe", station::senseV)
                .number("MEASure:DEVice", station::deviceA)
                .number("MEASure:GATE", station::gateV)
                .number("MEASure:GATE:RF", station::gateRfV)
                .number("MEASure:VPP", station::outputVpp)
                .number("MEASure:PHASe", station::phaseDivisions)
                .number("MEASure:LINE:VOLTage", station::lineV)
                .number("MEASure:LINE:CURRent", station::lineA)
                .level("WAVeform:SPAN", 1e-4, 1, scope::spanS, scope::spanS)
                .query("WAVeform:DATA", station::sweep)
                .level("INPut:PROBe", 0.5, 2, scope::probeShare, scope::probeShare)
                .level("PANel:HUM", 0, 0.5, scope::humShare, scope::humShare);
    }

    @Override
    public void close() throws IOException {
        clock.cancel();
        for (ScpiServer server : servers) {
            server.close();
        }
    }
}
