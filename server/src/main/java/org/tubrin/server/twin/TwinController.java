package org.tubrin.server.twin;

import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.tubrin.core.twin.DataSheet;
import org.tubrin.core.twin.SheetFit;

/** The twin's answers. */
@RestController
@RequestMapping("/api")
public class TwinController {
    private final RunTwins twins;
    private final SheetFits fits;

    TwinController(RunTwins twins, SheetFits fits) {
        this.twins = twins;
        this.fits = fits;
    }

    /** A place on the map: dials and what each meter should show there. */
    public record Place(
            double plate,
            double load,
            double outputW,
            double plateCurrentA,
            double gridCurrentA,
            @Nullable Double screenCurrentA,
            double heatPerTubeW,
            @Nullable Double efficiency,
            @Nullable Double thirdDb) {}

    /** A limit that closes ground off: where the grid is beyond it. */
    public record Ground(String kind, String label, double limit, List<Double> grid) {}

    /**
     * The ground at a drive; grids are row by row, LOAD slow, PLATE fast. A point that did not settle holds −1.
     */
    public record MapView(
            double driveW,
            List<Double> plates,
            List<Double> loads,
            List<Double> outputW,
            List<Ground> grounds,
            @Nullable Place here,
            @Nullable Place most,
            @Nullable Place finish,
            List<List<Double>> trail,
            String reading) {}

    /** A flow of power from or to somewhere, in watts. */
    public record Flow(String code, String label, double watt, boolean in) {}

    /** Where each watt goes. */
    public record PowerView(double driveW, double plate, double load, List<Flow> flows, List<Strain> strain) {}

    /** A peak or margin, with its limit where one is known. */
    public record Strain(
            String label, String shown, @Nullable String limit, boolean beyond) {}

    /** A mode's averages. */
    public record ModeRow(
            String mode, double outputW, double plateCurrentA, double gridCurrentA, double heatPerTubeW) {}

    /** Products of two equal tones, in decibels below one of them and below PEP. */
    public record Product(String label, double toToneDb, double toPepDb) {}

    /** How clean the signal is; the curve's amplitudes are relative to PEP. */
    public record SignalView(
            double driveW,
            double plate,
            double load,
            List<Product> products,
            double compressionDb,
            List<Double> driveAmplitude,
            List<Double> outputPeakV,
            List<ModeRow> modes,
            String judgement) {}

    @GetMapping("/runs/{id}/map")
    MapView map(@PathVariable UUID id, @RequestParam(required = false) @Nullable Double driveW) {
        return twins.map(id, driveW);
    }

    @GetMapping("/runs/{id}/power")
    PowerView power(@PathVariable UUID id) {
        return twins.power(id);
    }

    @GetMapping("/runs/{id}/signal")
    SignalView signal(@PathVariable UUID id) {
        return twins.signal(id);
    }

    /** A sheet for an amplifier of the station. */
    public record FitRequest(UUID amplifierId, DataSheet sheet) {}

    /** A figure of the sheet beside the twin's. */
    public record FitRow(String label, String sheet, String twin, double offPercent) {}

    /** A constant, and how far the sheet determines it. */
    public record ConstantRow(String label, String value, SheetFit.Determined determined, String says) {}

    /** A twin found from a sheet; the amplifier is the record with its constants, to be kept as any record is. */
    public record FitView(
            List<FitRow> rows, List<ConstantRow> constants, List<String> notes, Object amplifier, int revision) {}

    @PostMapping("/twin/fit")
    FitView fit(@RequestBody FitRequest request) {
        return fits.fit(request);
    }
}
