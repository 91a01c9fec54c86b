package org.tubrin.server.supply;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.tubrin.core.hv.HighVoltage;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.run.Control;
import org.tubrin.core.station.Envelope;
import org.tubrin.core.station.Equipment;
import org.tubrin.core.supply.OwnDuty;
import org.tubrin.core.supply.Plan;
import org.tubrin.core.supply.PlanJudgement;
import org.tubrin.core.supply.ProfileRun;
import org.tubrin.server.feed.BenchLink;
import org.tubrin.server.station.Stations;
import org.tubrin.server.words.Figures;
import org.tubrin.server.words.Words;

/** Judges plans, profiles and high-voltage supplies, kept or not, and reads profiles. */
@RestController
@RequestMapping("/api/supply")
public class SupplyController {
    private static final double WATTMETER_W = 150;

    private final SupplyRecords papers;
    private final Stations stations;
    private final PlanViewer plans;
    private final ProfileViewer profiles;
    private final ProfileReader reader;
    private final HighVoltageViewer highVoltages;
    private final BenchLink bench;
    private final Words words;

    SupplyController(
            SupplyRecords papers,
            Stations stations,
            PlanViewer plans,
            ProfileViewer profiles,
            ProfileReader reader,
            HighVoltageViewer highVoltages,
            BenchLink bench,
            Words words) {
        this.papers = papers;
        this.stations = stations;
        this.plans = plans;
        this.profiles = profiles;
        this.reader = reader;
        this.highVoltages = highVoltages;
        this.bench = bench;
        this.words = words;
    }

    /** Returns what a plan comes to; it need not be kept. */
    @PostMapping("/plan")
    PlanView plan(@RequestBody Plan plan) {
        PlanJudgement judgement =
                PlanJudgement.of(plan, papers.riseV(plan.supply().name()));
        List<Equipment> station =
                stations.equipment().stream().map(Stations.Stored::equipment).toList();
        return plans.view(plan, judgement, station);
    }

    /** Returns what the measuring of a profile has come to, with what it says of an output in watts; it need not be kept. */
    @PostMapping("/profile")
    ProfileViewer.ProfileView profile(
            @RequestBody ProfileRun run, @RequestParam(required = false) @Nullable Double atW) {
        return profiles.view(run, Optional.ofNullable(atW));
    }

    /** Returns what a high-voltage supply comes to; it need not be kept. */
    @PostMapping("/high-voltage")
    HighVoltageViewer.HighVoltageView highVoltage(@RequestBody HighVoltage supply) {
        return highVoltages.view(supply);
    }

    @PostMapping("/duty")
    DutyView duty(@RequestBody DutyRequest request) {
        Quantity share = OwnDuty.of(request.profile(), request.peakEnvelopeW(), reader.current(request.averageA()));
        double onShare = Math.max(Envelope.Keyed.LEAST_SHARE, Math.min(1, share.value()));
        return new DutyView(
                onShare,
                words.say("duty", Map.of("percent", Figures.percent(share).withUncertainty())));
    }

    /** Returns what is live of a set that is measured. */
    @GetMapping("/live")
    ProfileReader.LiveSupply live() {
        return reader.live();
    }

    /** Adds a reading to a profile that is kept. */
    @PostMapping("/profiles/{id}/readings")
    SupplyRecordViews.SupplyRecordView read(
            @PathVariable UUID id, @RequestParam int revision, @RequestBody ProfileReader.Typed typed) {
        if (!(papers.get(id).paper() instanceof ProfileRun run)) {
            throw new Refused(new Problem(ProblemCode.UNKNOWN_NAME, "id", id.toString(), new Allowed.Nothing()));
        }
        return SupplyRecordViews.of(
                papers.replace(id, SupplyRecordKind.PROFILE, revision, run.with(reader.read(typed), typed.keyed())));
    }

    @PostMapping("/bench")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void bench(@RequestBody BenchAct act) {
        Optional.ofNullable(act.supply()).ifPresent(bench::supply);
        Optional.ofNullable(act.powerW()).ifPresent(watt -> bench.turn(Control.DRIVE, watt));
        if (act.keyed() != null && act.keyed()) {
            bench.range(WATTMETER_W);
            bench.operate(false);
            bench.key(true);
        } else if (act.keyed() != null) {
            bench.key(false);
            bench.operate(true);
        }
    }
}
