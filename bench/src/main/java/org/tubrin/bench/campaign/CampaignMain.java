package org.tubrin.bench.campaign;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.ZoneOffset;

/** Runs a campaign and writes its report; arguments: a folder, the number of cases, the seed. */
public final class CampaignMain {
    private CampaignMain() {}

    public static void main(String[] arguments) throws IOException {
        Path folder = Path.of(arguments[0]);
        int cases = Integer.parseInt(arguments[1]);
        long seed = Long.parseLong(arguments[2]);
        Report report = new Report(Campaign.run(cases, seed));
        Files.createDirectories(folder);
        String words =
                report.markdown(cases, seed, LocalDate.now(ZoneOffset.UTC).toString());
        Files.writeString(folder.resolve("report.md"), words);
        Files.writeString(folder.resolve("summary.csv"), report.csv());
        new PrintStream(System.out, true, StandardCharsets.UTF_8).println(words);
    }
}
