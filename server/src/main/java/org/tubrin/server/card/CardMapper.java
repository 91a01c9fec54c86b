package org.tubrin.server.card;

import java.util.List;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.jspecify.annotations.Nullable;

/** Keeps the rows that finished runs leave, and those that came from a file. */
@Mapper
public interface CardMapper {
    /** Returns what was verified at each place and frequency; of one amplifier's band where one is named. */
    List<CardSpot> spots(@Param("amplifier") @Nullable String amplifier, @Param("onBand") @Nullable String onBand);

    /** Returns the newest and the first rows of these. */
    List<CardRecord> atSpots(@Param("amplifier") @Nullable String amplifier, @Param("onBand") @Nullable String onBand);

    /** Returns the rows that came from files, newest first. */
    List<CardRecord> fromFiles();

    /** Returns whether a row of that place and moment is there. */
    boolean isThere(CardRecord record);

    /** Counts all rows anew, place by place and frequency by frequency, where none were counted. */
    int countSpots();

    /** Keeps a row, and counts it at its frequency. */
    int insert(CardRecord record);
}
