package org.tubrin.server.twin;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.SignalPath;
import org.tubrin.core.scope.Waveform;
import org.tubrin.core.twin.Linearity;
import org.tubrin.core.twin.ModeAverage;
import org.tubrin.core.twin.Products;
import org.tubrin.core.twin.Setting;
import org.tubrin.server.words.Words;

/** Says how clean the signal of a run is: by the twin, and by what was read. */
@Component
class RunSignals {
    private final RunPlaces places;
    private final Words words;

    RunSignals(RunPlaces places, Words words) {
        this.places = places;
        this.words = words;
    }

    TwinViews.SignalView signal(UUID runId) {
        RunState state = places.state(runId);
        return new TwinViews.SignalView(
                places.at(state, null).map(this::byTwin).orElse(null),
                read(state),
                !state.steps().isEmpty() && state.ending().isEmpty());
    }

    private TwinViews.TwinSignal byTwin(RunPlaces.TwinAt at) {
        Setting setting = at.setting();
        Linearity linearity = RunPlaces.settled(Linearity.of(at.twin(), setting));
        List<TwinViews.ModeRow> modes = new ArrayList<>();
        for (ModeAverage.Kind envelope : ModeAverage.Kind.values()) {
            modes.add(mode(envelope.name(), RunPlaces.settled(ModeAverage.of(at.twin(), setting, envelope))));
        }
        modes.add(mode("TWO_TONE", linearity.means()));
        return new TwinViews.TwinSignal(
                setting.driveW(),
                setting.plate(),
                setting.load(),
                products(linearity.thirdDb(), Optional.of(linearity.fifthDb())),
                linearity.compressionDb(),
                curve(linearity.curve()),
                modes,
                words.say("signal." + linearity.judgement().name()));
    }

    private TwinViews.ModeRow mode(String code, ModeAverage average) {
        return new TwinViews.ModeRow(
                words.say("average." + code),
                average.outputW(),
                average.plateCurrentA(),
                average.gridCurrentA(),
                average.plateHeatPerTubeW());
    }

    private static TwinViews.Curve curve(List<Linearity.Sample> samples) {
        return new TwinViews.Curve(
                samples.stream().map(Linearity.Sample::driveAmplitude).toList(),
                samples.stream().map(Linearity.Sample::outputPeakV).toList());
    }

    private List<TwinViews.Product> products(double thirdDb, Optional<Double> fifthDb) {
        List<TwinViews.Product> list = new ArrayList<>();
        list.add(product("THIRD", thirdDb));
        fifthDb.ifPresent(fifth -> list.add(product("FIFTH", fifth)));
        return list;
    }

    private TwinViews.Product product(String code, double toToneDb) {
        return new TwinViews.Product(words.say("product." + code), toToneDb, toToneDb - Linearity.TONE_BELOW_PEP_DB);
    }

    private TwinViews.ReadSignal read(RunState state) {
        @Nullable Products exciter = state.products().get(SignalPath.EXCITER);
        @Nullable Products amplifier = state.products().get(SignalPath.AMPLIFIER);
        List<TwinViews.OwnPart> own = new ArrayList<>();
        if (exciter != null && amplifier != null) {
            own.add(own("THIRD", amplifier.thirdDb(), exciter.thirdDb()));
            amplifier
                    .fifthDb()
                    .ifPresent(with -> exciter.fifthDb().ifPresent(alone -> own.add(own("FIFTH", with, alone))));
        }
        @Nullable Waveform waveform = state.waveform().orElse(null);
        return new TwinViews.ReadSignal(
                exciter == null ? List.of() : products(exciter.thirdDb(), exciter.fifthDb()),
                amplifier == null ? List.of() : products(amplifier.thirdDb(), amplifier.fifthDb()),
                own,
                amplifier == null ? null : curve(amplifier.curve()),
                amplifier == null
                        ? null
                        : words.say("signal." + amplifier.judgement().name()),
                waveform,
                waveform == null ? null : words.say("waveform." + waveform.name() + ".meaning"),
                List.of(Waveform.values()).stream()
                        .map(one -> new TwinViews.WaveformChoice(one, words.say("waveform." + one.name())))
                        .toList());
    }

    private TwinViews.OwnPart own(String code, double withAmplifierDb, double exciterDb) {
        Products.OwnPart part = Products.OwnPart.of(withAmplifierDb, exciterDb);
        return new TwinViews.OwnPart(
                words.say("product." + code),
                part.leastDb().orElse(null),
                part.likelyDb().orElse(null),
                part.mostDb());
    }
}
