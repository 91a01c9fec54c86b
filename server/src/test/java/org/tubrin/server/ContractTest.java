package org.tubrin.server;

import static org.testng.Assert.assertEquals;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.testng.annotations.Test;
import tools.jackson.databind.json.JsonMapper;

/** Holds the page's types to the live contract; {@code -Dtubrin.contract.write=true} rewrites the committed file. */
public class ContractTest extends ServerTest {
    @Test
    public void theCommittedContractIsTheLiveOne() throws IOException {
        Path file = Postgres.root().resolve("ui/src/api/openapi.json");
        get("/api/openapi");
        String live = JsonMapper.builder()
                        .build()
                        .readTree(get("/api/openapi").text())
                        .toPrettyString() + "\n";
        if (Boolean.getBoolean("tubrin.contract.write")) {
            Files.writeString(file, live);
        }
        assertEquals(Files.readString(file), live, "run with -Dtubrin.contract.write=true to take the change over");
    }
}
