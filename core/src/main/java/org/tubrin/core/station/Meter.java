package org.tubrin.core.station;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.MeterFace;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;

/**
 * An instrument with one or more channels.
 *
 * @param name what it is called
 * @param channels what it reads, 1 to 8, each role once
 * @param face whether all of it is seen at once; absent where it is
 */
public record Meter(String name, List<Channel> channels, Optional<MeterFace> face) implements Equipment {
    public Meter {
        channels = List.copyOf(channels);
        new Checks()
                .name("name", name)
                .size("channels", channels, 1, 8)
                .distinct("channels", channels.stream().map(Channel::role).toList())
                .done();
    }

    /** A meter that shows all that it reads at once. */
    public Meter(String name, List<Channel> channels) {
        this(name, channels, Optional.empty());
    }

    /** Returns whether a switch selects what it shows. */
    public boolean hasSwitch() {
        return face.filter(MeterFace.ONE_AT_A_TIME::equals).isPresent() && channels.size() > 1;
    }

    /**
     * Returns what does not fit together in it: a scale in a unit of another quantity. A record that is kept is not refused for it,
     * so that it can be read and mended; a new one is.
     */
    public List<Problem> misfits() {
        List<Problem> problems = new ArrayList<>();
        for (int i = 0; i < channels.size(); i++) {
            Channel channel = channels.get(i);
            if (channel.scaleUnit().unit() != channel.role().unit()) {
                problems.add(new Problem(
                        ProblemCode.WRONG_SCALE,
                        "channels." + i + ".scaleUnit",
                        channel.scaleUnit().name(),
                        new Allowed.Codes(Stream.of(ScaleUnit.values())
                                .filter(scale -> scale.unit() == channel.role().unit())
                                .map(ScaleUnit::name)
                                .toList())));
            }
        }
        return problems;
    }

    /** Returns the channel that reads the role. */
    public Optional<Channel> channel(ReadingRole role) {
        return channels.stream().filter(channel -> channel.role() == role).findFirst();
    }

    @Override
    public <T> T in(Cases<T> cases) {
        return cases.meter(this);
    }
}
