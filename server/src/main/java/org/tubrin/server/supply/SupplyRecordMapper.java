package org.tubrin.server.supply;

import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.jspecify.annotations.Nullable;

/** Keeps plans, profiles and high-voltage supplies. */
@Mapper
public interface SupplyRecordMapper {
    /** Returns all, the last changed first. */
    List<SupplyRecordRow> all();

    @Nullable
    SupplyRecordRow byId(UUID id);

    int insert(@Param("row") SupplyRecordRow row);

    /** Updates where the stored revision is one less than the row's; returns 0 where it is not. */
    int update(@Param("row") SupplyRecordRow row);

    int delete(UUID id);
}
