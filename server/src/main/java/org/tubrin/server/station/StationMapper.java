package org.tubrin.server.station;

import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.jspecify.annotations.Nullable;

/** Keeps the station and its equipment. */
@Mapper
public interface StationMapper {
    @Nullable
    StationRow station();

    int insertStation(StationRow row);

    int updateStation(@Param("row") StationRow row);

    List<EquipmentRow> equipment();

    @Nullable
    EquipmentRow equipmentById(UUID id);

    @Nullable
    EquipmentRow equipmentByName(String name);

    int insertEquipment(EquipmentRow row);

    /** Updates where the stored revision is one less than the row's; returns 0 where it is not. */
    int updateEquipment(@Param("row") EquipmentRow row);

    int deleteEquipment(UUID id);
}
