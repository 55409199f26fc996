package org.skelda.e2e;

import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;

/** One server at life's speed and one browser program for all tests of a class. */
abstract class SharedServer {
    static TestServer server;
    static Browsers browsers;

    @BeforeAll
    static void start() {
        server = TestServer.start(1);
        browsers = new Browsers();
    }

    /** A page that nobody looks at any more still runs its clocks. */
    @AfterEach
    void closePages() {
        browsers.closePages();
    }

    @AfterAll
    static void stop() {
        browsers.close();
        server.close();
    }
}
