package org.tubrin.server.fault;

import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.jspecify.annotations.Nullable;

/** Keeps cases. */
@Mapper
public interface FaultCaseMapper {
    /** Returns all, the open ones first, each the last changed first. */
    List<FaultCaseRow> all();

    @Nullable
    FaultCaseRow byId(UUID id);

    /** Returns what cured each case that was cured; a cause as often as it did. */
    List<String> cured();

    int insert(@Param("row") FaultCaseRow row);

    /** Updates where the stored revision is one less than the row's; returns 0 where it is not. */
    int update(@Param("row") FaultCaseRow row);

    int delete(UUID id);
}
