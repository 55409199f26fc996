package org.skelda.app;

import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/** Every address of the interface is answered with its one page; the page itself knows the way. */
@Controller
class PageController {
    @GetMapping({
        "/departures/{id}",
        "/departures/{id}/{procedure}",
        "/traces/{id}",
        "/departures/{id}/starts/{engine}/{number}",
        "/{page:(?!api|actuator|error)[a-z0-9-]+}"
    })
    String page() {
        return "forward:/index.html";
    }
}
