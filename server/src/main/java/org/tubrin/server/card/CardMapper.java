package org.tubrin.server.card;

import java.util.List;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.jspecify.annotations.Nullable;

/** Keeps the rows that finished runs leave. */
@Mapper
public interface CardMapper {
    /** Returns the newest row of each amplifier, band and load or antenna. */
    List<CardRecord> newest();

    /** Returns the newest row of an amplifier and band, one of the same load or antenna before others. */
    @Nullable
    CardRecord best(
            @Param("amplifier") String amplifier, @Param("band") String band, @Param("termination") String termination);

    int insert(CardRecord record);

    int deleteAll();
}
