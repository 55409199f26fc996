package org.skelda.app.people;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import jakarta.servlet.http.Cookie;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.Test;
import org.skelda.app.ServerTest;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

@ServerTest
@AutoConfigureMockMvc
class SessionTest {
    @Autowired
    private MockMvc mvc;

    private MockHttpServletResponse signIn(String account, String password, String address, Cookie... cookies)
            throws Exception {
        return answer(post("/api/session")
                .with(csrf())
                .contentType(MediaType.APPLICATION_JSON)
                .content("{\"account\":\"" + account + "\",\"password\":\"" + password + "\"}")
                .with(request -> {
                    request.setRemoteAddr(address);
                    request.setCookies(cookies);
                    return request;
                }));
    }

    private MockHttpServletResponse answer(MockHttpServletRequestBuilder request) throws Exception {
        return mvc.perform(request).andReturn().getResponse();
    }

    @Test
    void aDemoAccountAnswersOnThisMachineOnly() throws Exception {
        assertThat(signIn("halden", DemoPassword.TEXT, "127.0.0.1").getStatus()).isEqualTo(200);
        assertThat(signIn("halden", DemoPassword.TEXT, "192.0.2.7").getStatus()).isEqualTo(401);
        MockHttpServletResponse elsewhere = answer(get("/api/session").with(request -> {
            request.setRemoteAddr("192.0.2.7");
            return request;
        }));
        assertThat(elsewhere.getContentAsString()).doesNotContain(DemoPassword.TEXT);
    }

    @Test
    void wrongPasswordsAreThrottledByNameAndAddressTogether() throws Exception {
        for (int i = 0; i < 5; i++) {
            assertThat(signIn("stenvik", "wrong", "127.0.0.1").getStatus()).isEqualTo(401);
        }
        MockHttpServletResponse throttled = signIn("stenvik", DemoPassword.TEXT, "127.0.0.1");
        assertThat(throttled.getStatus()).isEqualTo(429);
        assertThat(throttled.getContentAsString()).contains("urn:skelda:problem:throttled");
        assertThat(signIn("oddsrud", DemoPassword.TEXT, "127.0.0.1").getStatus())
                .isEqualTo(200);
        assertThat(signIn("stenvik", DemoPassword.TEXT, "127.0.0.2").getStatus())
                .as("the same person from elsewhere")
                .isEqualTo(200);
    }

    @Test
    void oneAddressHasOnlySoManyTriesForAllNamesTogether() throws Exception {
        int tries = 30;
        int heard = 0;
        long begun_ns = System.nanoTime();
        for (int i = 0; i < 2 * tries; i++) {
            heard += signIn("nobody-" + i, "wrong", "192.0.2.66").getStatus() == 429 ? 0 : 1;
        }
        double minutes = (System.nanoTime() - begun_ns) / 60e9;
        assertThat(heard)
                .as("tries that were heard: those at once, and those that came back meanwhile")
                .isBetween(tries, (int) Math.ceil(tries * (1 + minutes)));
        assertThat(signIn("oddsrud", DemoPassword.TEXT, "127.0.0.1").getStatus())
                .isEqualTo(200);
    }

    /** A hash is heavy by design; the threads of requests must never do it, or a few strangers stop everything else. */
    @Test
    void manyWrongSignInsAtOnceHoldNothingElseUp() throws Exception {
        List<Future<Integer>> strangers = new ArrayList<>();
        try (var threads = Executors.newVirtualThreadPerTaskExecutor()) {
            for (int i = 0; i < 24; i++) {
                String address = "198.51.100." + i;
                strangers.add(
                        threads.submit(() -> signIn("nobody", "wrong", address).getStatus()));
            }
            int ticks = 0;
            while (!strangers.stream().allMatch(Future::isDone)) {
                threads.submit(() -> answer(get("/api/session")).getStatus()).get();
                ticks++;
            }
            assertThat(ticks)
                    .as("requests answered while strangers were hashed")
                    .isGreaterThan(24);
        }
        List<Integer> statuses = new ArrayList<>();
        for (Future<Integer> stranger : strangers) {
            statuses.add(stranger.get());
        }
        assertThat(statuses).containsOnly(401, 429).contains(429);
    }

    /** However many strangers there are, from however many addresses: who has signed in on a device before gets in. */
    @Test
    void strangersKeepNobodyOutOfADeviceThatIsKnown() throws Exception {
        Cookie known = signIn("stenvik", DemoPassword.TEXT, "127.0.0.9").getCookie("SKELDA-KNOWN");
        assertThat(known).isNotNull();
        assertThat(known.isHttpOnly()).isTrue();
        AtomicBoolean enough = new AtomicBoolean();
        try (var threads = Executors.newVirtualThreadPerTaskExecutor()) {
            for (int i = 0; i < 20; i++) {
                String net = "198.18." + i + ".";
                threads.submit(() -> {
                    for (int host = 1; !enough.get() && host < 250; host++) {
                        signIn("nobody", "wrong", net + host);
                        Thread.sleep(50);
                    }
                    return null;
                });
            }
            try {
                int turnedAway = 0;
                for (int tries = 0; turnedAway == 0 && tries < 50; tries++) {
                    turnedAway += signIn("stenvik", DemoPassword.TEXT, "127.0.1." + tries)
                                            .getStatus()
                                    == 429
                            ? 1
                            : 0;
                }
                assertThat(turnedAway)
                        .as("a device that nobody knows has to wait")
                        .isPositive();
                for (int i = 0; i < 5; i++) {
                    assertThat(signIn("stenvik", DemoPassword.TEXT, "127.0.2." + i, known)
                                    .getStatus())
                            .isEqualTo(200);
                }
                assertThat(signIn("halden", DemoPassword.TEXT, "127.0.3.1", known)
                                .getStatus())
                        .as("it is known for one account only")
                        .isIn(200, 429);
                assertThat(signIn("stenvik", "wrong", "127.0.3.2", known).getStatus())
                        .as("it is worth nothing without the password")
                        .isEqualTo(401);
            } finally {
                enough.set(true);
            }
        }
    }

    @Test
    void withoutASessionOrATokenNothingIsGiven() throws Exception {
        MockHttpServletResponse list = answer(get("/api/departures"));
        assertThat(list.getStatus()).isEqualTo(401);
        assertThat(list.getContentAsString()).contains("urn:skelda:problem:sign-in");
        assertThat(answer(post("/api/openings")
                                .contentType(MediaType.APPLICATION_JSON)
                                .content("{}"))
                        .getStatus())
                .isEqualTo(403);
    }

    @Test
    void everyAnswerCarriesTheContentPolicy() throws Exception {
        assertThat(answer(get("/api/session")).getHeader("Content-Security-Policy"))
                .contains("script-src 'self'")
                .contains("frame-ancestors 'none'");
    }

    @Test
    void onlyHealthIsOpenOfTheServersOwnState() throws Exception {
        assertThat(answer(get("/actuator/health")).getStatus()).isEqualTo(200);
        assertThat(answer(get("/actuator/env")).getStatus()).isIn(401, 403);
    }
}
