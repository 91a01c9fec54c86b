package org.tubrin.bench.campaign;

import java.io.IOException;
import java.nio.file.Path;

/** Runs a campaign and writes its report; arguments: a folder, the number of cases, the seed. */
public final class CampaignMain {
    private CampaignMain() {}

    public static void main(String[] arguments) throws IOException {
        Path folder = Path.of(arguments[0]);
        int cases = Integer.parseInt(arguments[1]);
        long seed = Long.parseLong(arguments[2]);
        Report report = new Report(Campaign.run(cases, seed));
        Tables.write(folder, "report.md", report.markdown(cases, seed, Tables.today()), "summary.csv", report.csv());
    }
}
