package org.tubrin.core.station;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.Indication;
import org.tubrin.core.metering.MeterFace;
import org.tubrin.core.metering.Position;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;

/**
 * One box with one or more channels: what it reads, and in which positions of its switches.
 *
 * @param name what it is called
 * @param channels what it reads, 1 to 8, each position once; the same role more than once where it can show it in several ways
 * @param face whether all of it is seen at once; absent where it is
 */
public record Meter(String name, List<Channel> channels, Optional<MeterFace> face) implements Equipment {
    public Meter {
        channels = List.copyOf(channels);
        new Checks()
                .name("name", name)
                .size("channels", channels, 1, 8)
                .distinct("channels", channels.stream().map(Channel::position).toList())
                .done();
    }

    /** A meter that shows all that it reads at once. */
    public Meter(String name, List<Channel> channels) {
        this(name, channels, Optional.empty());
    }

    /** Returns whether a switch selects what it shows. */
    public boolean hasSwitch() {
        return isSwitched() && channels.size() > 1;
    }

    private boolean isSwitched() {
        return face.filter(MeterFace.ONE_AT_A_TIME::equals).isPresent();
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

    /** Returns the channel that reads the role; the first of them where it can show it in several ways. */
    public Optional<Channel> channel(ReadingRole role) {
        return channels(role).findFirst();
    }

    /** Returns the channels that read the role, each in a way of its own. */
    public Stream<Channel> channels(ReadingRole role) {
        return channels.stream().filter(channel -> channel.role() == role);
    }

    /**
     * Returns the positions between which a run has to choose: those for power, where there is more than one; a wattmeter that is moved
     * between input and output has one for either place. What else it reads is there whatever the choice, but for SWR at the input.
     */
    public List<Position> powerPositions() {
        List<Position> positions = channels.stream()
                .map(Channel::position)
                .filter(Position::readsPower)
                .toList();
        return positions.size() > 1 ? positions : List.of();
    }

    /**
     * Returns those of them that are customary: the first for each role, output where pulses are read in one that holds peaks, and
     * what comes back or goes in only where it is seen beside the output.
     */
    public List<Position> usualPositions(boolean pulsed) {
        List<Position> positions = powerPositions().stream()
                .sorted(Comparator.comparing(position -> pulsed && position.indication() != Indication.PEAK_HOLD))
                .toList();
        boolean readsOutput = channel(ReadingRole.OUTPUT).isPresent();
        return Stream.of(ReadingRole.INPUT_POWER, ReadingRole.OUTPUT, ReadingRole.REFLECTED)
                .filter(role -> role == ReadingRole.OUTPUT || !readsOutput || !isSwitched())
                .flatMap(role -> positions.stream()
                        .filter(position -> position.role() == role)
                        .limit(1))
                .toList();
    }

    /** Returns the meter as it is with these positions in use, each role once; SWR at the input is read where power at the input is. */
    public Meter in(List<Position> positions) {
        List<Position> own = powerPositions();
        new Checks()
                .distinct("positions", positions.stream().map(Position::role).toList())
                .done();
        for (Position position : positions) {
            if (!own.contains(position)) {
                throw new Refused(new Problem(
                        ProblemCode.UNKNOWN_NAME,
                        "positions",
                        position.role().name(),
                        new Allowed.OneOf(own.stream()
                                .map(one -> one.role().name())
                                .distinct()
                                .toList())));
            }
        }
        List<Channel> used = channels.stream()
                .filter(channel -> !own.contains(channel.position()) || positions.contains(channel.position()))
                .filter(channel -> channel.role() != ReadingRole.INPUT_SWR || areAtInput(own) == areAtInput(positions))
                .toList();
        return used.size() == channels.size() ? this : new Meter(name, used, face);
    }

    private static boolean areAtInput(List<Position> positions) {
        return positions.stream().anyMatch(position -> position.role() == ReadingRole.INPUT_POWER);
    }

    /** Returns this record in the positions that an older state of it had in use; in the customary ones where it has none of those. */
    public Meter inPositionsOf(Meter used) {
        List<Position> kept = powerPositions().stream()
                .filter(position -> used.channels().stream()
                        .anyMatch(channel -> channel.ownPosition().equals(position)))
                .toList();
        Meter same = in(kept.isEmpty() ? usualPositions(false) : kept);
        return used.standsSecond() ? same.asSecond() : same;
    }

    /** Returns it as the second wattmeter in a line; what comes back is read by the first. */
    public Meter asSecond() {
        return new Meter(
                name,
                channels.stream()
                        .filter(channel -> channel.role() != ReadingRole.REFLECTED)
                        .map(channel ->
                                channel.role() == ReadingRole.OUTPUT ? channel.as(ReadingRole.OTHER_OUTPUT) : channel)
                        .toList(),
                face);
    }

    /** Returns whether it is the second wattmeter in a line. */
    public boolean standsSecond() {
        return channel(ReadingRole.OTHER_OUTPUT).isPresent();
    }

    /** Returns the same with another in place of a channel. */
    public Meter with(Channel old, Channel changed) {
        return new Meter(
                name,
                channels.stream()
                        .map(channel -> channel.equals(old) ? changed : channel)
                        .toList(),
                face);
    }

    @Override
    public <T> T in(Cases<T> cases) {
        return cases.meter(this);
    }
}
