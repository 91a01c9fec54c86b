package org.tubrin.server.drive;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.tubrin.core.chain.Chain;

/** Chains and pads as the page sees them. */
public final class ChainViews {
    private ChainViews() {}

    /**
     * A chain.
     *
     * @param title what to set first
     * @param says what ends the way up, and why
     * @param end that end
     * @param beyond what a part is fed with beyond what it may be, as the generator stands; empty where nothing is
     * @param generator its level
     * @param nodes behind each part
     * @param settings of an attenuator behind the generator, on the way up
     */
    public record ChainView(
            String title,
            String says,
            Chain.End end,
            List<String> beyond,
            NodeView generator,
            List<NodeView> nodes,
            List<SettingView> settings) {}

    /**
     * A place in the chain.
     *
     * @param dbm its level
     * @param mostDbm level that may be fed into the part; absent where it is not known
     * @param watt the same in watts, with its unit
     * @param change what the part takes or gives here, with its sign
     * @param heat in a pad or line
     */
    public record NodeView(
            String name,
            double dbm,
            @Nullable Double mostDbm,
            String shown,
            String watt,
            @Nullable String change,
            @Nullable String compression,
            @Nullable String heat) {}

    /** One setting on the way up. */
    public record SettingView(String attenuation, String input, String volts, String output, String outputVolts) {}

    /**
     * Pads for a drive.
     *
     * @param title what to take
     * @param exact what it must take, in decibels
     * @param pads standard values near it
     * @param measured the one that was measured, with what it then does
     */
    public record PadsView(
            String title,
            String exact,
            List<PadView> pads,
            @Nullable String measured,
            @Nullable PadView ofMeasured) {}

    /**
     * One pad.
     *
     * @param reaches whether the exciter reaches the wanted drive through it
     * @param mistake what keying at full power by mistake does
     * @param risky whether that is beyond what the input stands, or that is not known
     */
    public record PadView(
            String attenuation,
            boolean reaches,
            String set,
            String heat,
            String keyedHeat,
            String keyedDrive,
            String mistake,
            boolean risky) {}
}
