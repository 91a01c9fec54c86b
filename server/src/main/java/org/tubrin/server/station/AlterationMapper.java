package org.tubrin.server.station;

import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

/** Keeps what was changed of the station. */
@Mapper
public interface AlterationMapper {
    /** Returns all, the last first. */
    List<AlterationRow> all();

    int insert(@Param("row") AlterationRow row);

    int delete(UUID id);
}
