package org.tubrin.server.run;

import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.tubrin.server.feed.BenchLink;

/** What every page must know and do about the simulated bench's key, whatever it shows otherwise. */
@RestController
@RequestMapping("/api/bench")
public class BenchController {
    private final BenchLink bench;
    private final Runs runs;

    BenchController(BenchLink bench, Runs runs) {
        this.bench = bench;
        this.runs = runs;
    }

    @GetMapping
    BenchKey key() {
        return new BenchKey(bench.isNamed(), bench.keyedForS().orElse(null));
    }

    /** Lets the key go; {@code noted} where the caller notes it in the run by itself. */
    @PostMapping("/key-up")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void keyUp(@RequestParam boolean noted) {
        runs.keyUp(noted);
    }
}
