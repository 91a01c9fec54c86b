package org.tubrin.server.drive;

import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.tubrin.server.run.ChainRequest;

/** Levels in a chain, and pads; nothing of it is kept. */
@RestController
@RequestMapping("/api/drive")
public class ChainController {
    private final ChainViewer viewer;

    ChainController(ChainViewer viewer) {
        this.viewer = viewer;
    }

    /** Returns the levels in a chain, and the way up to the wanted output. */
    @PostMapping("/chain")
    ChainViews.ChainView chain(@RequestBody ChainRequest request) {
        return viewer.chain(request.chain(), request.wantedW());
    }

    /** Returns pads for a drive, with what keying by mistake at full power does through each. */
    @PostMapping("/pads")
    ChainViews.PadsView pads(@RequestBody PadRequest request) {
        return viewer.pads(request);
    }
}
