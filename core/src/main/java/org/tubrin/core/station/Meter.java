package org.tubrin.core.station;

import java.util.List;
import java.util.Optional;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Checks;

/**
 * An instrument with one or more channels.
 *
 * @param name what it is called
 * @param channels what it reads, 1 to 8, each role once
 */
public record Meter(String name, List<Channel> channels) implements Equipment {
    public Meter {
        channels = List.copyOf(channels);
        new Checks()
                .name("name", name)
                .size("channels", channels, 1, 8)
                .distinct("channels", channels.stream().map(Channel::role).toList())
                .done();
    }

    /** Returns the channel that reads the role. */
    public Optional<Channel> channel(ReadingRole role) {
        return channels.stream().filter(channel -> channel.role() == role).findFirst();
    }
}
