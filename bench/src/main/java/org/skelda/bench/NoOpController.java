package org.skelda.bench;

import java.util.Map;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** A request that does nothing, through the same filters, session and JSON as a command. */
@RestController
class NoOpController {
    @PostMapping("/api/bench/no-op")
    Map<String, Object> nothing(@RequestBody Map<String, Object> body) {
        return body;
    }
}
