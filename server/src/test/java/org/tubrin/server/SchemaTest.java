package org.tubrin.server;

import static org.testng.Assert.assertEquals;

import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.tubrin.core.alc.SoundPath;
import org.tubrin.core.bias.BiasPlan;
import org.tubrin.core.device.TetrodeLaw;
import org.tubrin.core.device.TriodeLaw;
import org.tubrin.core.hv.Bank;
import org.tubrin.core.hv.HighVoltage;
import org.tubrin.core.hv.Rectifier;
import org.tubrin.core.metering.Indication;
import org.tubrin.core.metering.MeterFace;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.Reading;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.practice.Act;
import org.tubrin.core.practice.Exercise;
import org.tubrin.core.practice.Hidden;
import org.tubrin.core.practice.Lesson;
import org.tubrin.core.practice.Panel;
import org.tubrin.core.run.Check;
import org.tubrin.core.run.Customs;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.School;
import org.tubrin.core.run.TuneSettings;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Alteration;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Battery;
import org.tubrin.core.station.Candidate;
import org.tubrin.core.station.Exciter;
import org.tubrin.core.station.Instrument;
import org.tubrin.core.station.Load;
import org.tubrin.core.station.Meter;
import org.tubrin.core.station.Pad;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.Station;
import org.tubrin.core.station.Supply;
import org.tubrin.core.station.TankBand;
import org.tubrin.core.station.TwinConstants;
import org.tubrin.core.supply.Box;
import org.tubrin.core.supply.CurrentPoint;
import org.tubrin.core.supply.CurrentProfile;
import org.tubrin.core.supply.KindChoice;
import org.tubrin.core.supply.MainsSide;
import org.tubrin.core.supply.Plan;
import org.tubrin.core.supply.ProfileReading;
import org.tubrin.core.supply.ProfileRun;
import org.tubrin.core.supply.Stretch;
import org.tubrin.core.tank.CapacitorLaw;
import org.tubrin.server.store.CoreJson;
import tools.jackson.databind.JsonNode;

/** Holds the published schema in step with the records: the same fields and the same codes, no more and no less. */
public class SchemaTest {
    private static final JsonNode SCHEMA =
            CoreJson.mapper().readTree(SchemaTest.class.getResourceAsStream("/backup/backup-1.schema.json"));

    @DataProvider
    public Object[][] records() {
        return new Object[][] {
            {Station.class, "/$defs/station"},
            {Amplifier.class, "/$defs/amplifier"},
            {Stage.Tubes.class, "/$defs/stage/oneOf/0"},
            {Stage.Transistors.class, "/$defs/stage/oneOf/1"},
            {org.tubrin.core.device.Tube.class, "/$defs/tube"},
            {org.tubrin.core.tank.Dial.class, "/$defs/dial"},
            {Exciter.class, "/$defs/exciter"},
            {Meter.class, "/$defs/meter"},
            {org.tubrin.core.metering.Channel.class, "/$defs/channel"},
            {MeterRange.class, "/$defs/channel/properties/ranges/items"},
            {Load.class, "/$defs/load"},
            {Pad.class, "/$defs/pad"},
            {org.tubrin.core.station.Antenna.class, "/$defs/antenna"},
            {TwinConstants.CathodeDriven.class, "/$defs/twin/oneOf/0"},
            {TriodeLaw.class, "/$defs/twin/oneOf/0/properties/tube"},
            {TwinConstants.GridDriven.class, "/$defs/twin/oneOf/1"},
            {TetrodeLaw.class, "/$defs/twin/oneOf/1/properties/tube"},
            {TwinConstants.Broadband.class, "/$defs/twin/oneOf/2"},
            {TwinConstants.BroadbandBand.class, "/$defs/twin/oneOf/2/properties/bands/items"},
            {TankBand.class, "/$defs/tankBands/items"},
            {CapacitorLaw.class, "/$defs/capacitorLaw"},
            {Instrument.class, "/$defs/instrument"},
            {Instrument.Query.class, "/$defs/instrument/properties/queries/items"},
            {Supply.class, "/$defs/supply"},
            {Battery.class, "/$defs/battery"},
            {Candidate.class, "/$defs/candidate"},
            {Candidate.Tubes.class, "/$defs/candidate/properties/tubes/anyOf/0"},
            {Candidate.Operation.class, "/$defs/candidate/properties/operation/anyOf/0"},
            {Candidate.Inspected.class, "/$defs/candidate/properties/inspected/items"},
            {Plan.class, "/$defs/plan"},
            {Plan.Lead.class, "/$defs/plan/properties/lead"},
            {Plan.Standby.class, "/$defs/plan/properties/battery/anyOf/0"},
            {MainsSide.Circuit.class, "/$defs/plan/properties/circuit"},
            {Stretch.class, "/$defs/plan/properties/pattern/items"},
            {Box.Steady.class, "/$defs/box/oneOf/0"},
            {Box.Transmitting.class, "/$defs/box/oneOf/1"},
            {CurrentProfile.class, "/$defs/currentProfile"},
            {CurrentPoint.class, "/$defs/currentProfile/properties/points/items"},
            {ProfileRun.class, "/$defs/profileRun"},
            {ProfileReading.class, "/$defs/profileReading"},
            {HighVoltage.class, "/$defs/highVoltage"},
            {Rectifier.class, "/$defs/highVoltage/properties/rectifier"},
            {Bank.class, "/$defs/highVoltage/properties/bank"},
            {HighVoltage.SoftStart.class, "/$defs/highVoltage/properties/softStart/anyOf/0"},
            {TuneSetup.class, "/$defs/setup"},
            {Customs.class, "/$defs/practice"},
            {SoundPath.class, "/$defs/sound"},
            {BiasPlan.class, "/$defs/bias"},
            {BiasPlan.Sense.class, "/$defs/sense"},
            {TuneSettings.class, "/$defs/setup/properties/settings"},
            {Reading.class, "/$defs/event/oneOf/5/properties/reading"},
            {Exercise.class, "/$defs/exercise"},
            {Exercise.Names.class, "/$defs/exercise/properties/names"},
        };
    }

    @Test(dataProvider = "records")
    public void aRecordHasTheFieldsOfItsSchema(Class<?> type, String pointer) {
        Set<String> published =
                new TreeSet<>(SCHEMA.at(pointer).get("properties").propertyNames());
        published.remove("kind");
        Set<String> known = Stream.of(type.getRecordComponents())
                .map(java.lang.reflect.RecordComponent::getName)
                .collect(Collectors.toCollection(TreeSet::new));
        assertEquals(published, known, type.getSimpleName());
    }

    @DataProvider
    public Object[][] codes() {
        return new Object[][] {
            {Band.values(), "/$defs/setup/properties/band"},
            {Supply.Kind.values(), "/$defs/supply/properties/type"},
            {Battery.Chemistry.values(), "/$defs/battery/properties/chemistry"},
            {Candidate.Claim.values(), "/$defs/candidate/properties/claim"},
            {Candidate.StillMade.values(), "/$defs/candidate/properties/stillMade"},
            {Candidate.Point.values(), "/$defs/candidate/properties/inspected/items/properties/point"},
            {Candidate.State.values(), "/$defs/candidate/properties/inspected/items/properties/state/anyOf/0"},
            {Candidate.Origin.values(), "/$defs/candidate/properties/origin/anyOf/0"},
            {Candidate.Point.values(), "/properties/inspectionPhotos/anyOf/0/items/properties/point"},
            {KindChoice.Merit.values(), "/$defs/plan/properties/wishes/items"},
            {ReadingRole.values(), "/$defs/channel/properties/role"},
            {ScaleUnit.values(), "/$defs/channel/properties/scaleUnit"},
            {Indication.values(), "/$defs/channel/properties/indication"},
            {MeterFace.values(), "/$defs/meter/properties/face/anyOf/0"},
            {Alteration.Part.values(), "/properties/alterations/anyOf/0/items/properties/part"},
            {School.values(), "/$defs/setup/properties/school"},
            {Check.values(), "/$defs/event/oneOf/1/properties/check"},
            {org.tubrin.core.run.Control.values(), "/$defs/event/oneOf/7/properties/control"},
            {org.tubrin.core.run.SeenSign.values(), "/$defs/event/oneOf/11/properties/sign"},
            {Lesson.values(), "/$defs/exercise/properties/lesson"},
            {Panel.Kind.values(), "/$defs/exercise/properties/panel"},
            {Hidden.values(), "/$defs/practiceAct/oneOf/12/properties/hidden"},
            {org.tubrin.core.tank.LoadSense.values(), "/$defs/stage/oneOf/0/properties/loadSense"},
        };
    }

    @Test(dataProvider = "codes")
    public void theCodesAreThoseOfTheSchema(Enum<?>[] codes, String pointer) {
        Set<String> published = new TreeSet<>();
        SCHEMA.at(pointer).get("enum").forEach(code -> published.add(code.asString()));
        Set<String> known = Stream.of(codes).map(Enum::name).collect(Collectors.toCollection(TreeSet::new));
        assertEquals(published, known);
    }

    @Test
    public void everyKindOfEventIsPublished() {
        Set<String> published = new TreeSet<>();
        SCHEMA.at("/$defs/event/oneOf")
                .forEach(kind -> published.add(
                        kind.at("/properties/kind/const").asString().toLowerCase(java.util.Locale.ROOT)));
        Set<String> known = Stream.of(RunEvent.class.getPermittedSubclasses())
                .map(kind -> kind.getSimpleName().toLowerCase(java.util.Locale.ROOT))
                .collect(Collectors.toCollection(TreeSet::new));
        assertEquals(published, known);
    }

    @Test
    public void everyKindOfActIsPublished() {
        Set<String> published = new TreeSet<>();
        SCHEMA.at("/$defs/practiceAct/oneOf")
                .forEach(kind -> published.add(
                        kind.at("/properties/kind/const").asString().toLowerCase(java.util.Locale.ROOT)));
        Set<String> known = Stream.of(Act.class.getPermittedSubclasses())
                .map(kind -> kind.getSimpleName().toLowerCase(java.util.Locale.ROOT))
                .collect(Collectors.toCollection(TreeSet::new));
        assertEquals(published, known);
    }
}
