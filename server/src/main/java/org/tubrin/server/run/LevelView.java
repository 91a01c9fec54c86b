package org.tubrin.server.run;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.tubrin.core.alc.Gauge;

/**
 * What levels into an exciter brought.
 *
 * @param series at each set power and tone, that of the knee first
 * @param setPowerW of that one
 * @param gaugeEnd of the gauge's scale; absent where it is not read
 * @param knee absent while it is not known
 * @param window where to set it
 * @param gauge what the exciter's own gauge is
 * @param widening where the signal becomes wider; absent where it does not, or was not read
 * @param says what follows, one sentence each
 */
public record LevelView(
        List<Series> series,
        double setPowerW,
        @Nullable Double gaugeEnd,
        @Nullable KneeView knee,
        @Nullable WindowView window,
        @Nullable GaugeView gauge,
        @Nullable WideningView widening,
        List<String> says) {

    /** Levels at one set power and tone. */
    public record Series(String label, List<Point> points) {}

    /** One level as a share of the slider's way, its output in watts, the gauge in its marks, the signal's width in hertz. */
    public record Point(
            double level,
            double outputW,
            @Nullable Double gauge,
            @Nullable Double widthHz,
            boolean down) {}

    /** Where the signal becomes wider: between two levels. */
    public record WideningView(double before, double from, double narrowHz, double wideHz) {}

    /** The knee with its 95 % interval, and the root of watts for each level below it. */
    public record KneeView(double level, double halfWidth, double perLevel, String shown) {}

    /** The window of levels. */
    public record WindowView(double low, double high, String shown) {}

    /** The gauge: its window in marks. */
    public record GaugeView(Gauge.Kind kind, double low, double high, String title, String says, String right) {}
}
