package org.skelda.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** An administrator issues a feed, its token opens the door, and is refused once it is revoked. */
class FeedsTest {
    private TestServer server;
    private Browsers browsers;

    @BeforeEach
    void start() {
        server = TestServer.start(1);
        browsers = new Browsers();
    }

    @AfterEach
    void stop() {
        browsers.close();
        server.close();
    }

    private static Locator link(Page page, String name) {
        return page.getByRole(
                AriaRole.LINK, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    private static Locator button(Page page, String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    /** Sends one reading. @return the status of the answer */
    private int send(String address, String authorization) throws Exception {
        String line = "{\"t\":\"" + server.now()
                + "\",\"subject\":\"engine:2\",\"n2_pct\":0,\"egt_c\":20,\"starter\":0,\"fuel\":0}\n";
        return HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(address))
                                .header("Content-Type", "application/x-ndjson")
                                .header("Authorization", authorization)
                                .POST(HttpRequest.BodyPublishers.ofString(line))
                                .build(),
                        HttpResponse.BodyHandlers.discarding())
                .statusCode();
    }

    @Test
    void isIssuedShownOnceUsedAndRevoked() throws Exception {
        Page page = CrewMember.signIn(browsers, server, "Sunna Kvale").page();
        link(page, "Feeds").click();
        page.getByText("No feed has been issued yet").waitFor();
        page.getByLabel("Tail").selectOption("QX-TRY");
        page.getByLabel("What sends it").fill("Recorder of QX-TRY");
        button(page, "Issue a feed").click();
        Locator issued =
                page.getByRole(AriaRole.STATUS).filter(new Locator.FilterOptions().setHasText("not shown again"));
        issued.waitFor();
        Axe.findsNothing(page, "feeds");
        String address = issued.getByText("POST ").innerText().replace("POST ", "");
        String authorization = issued.getByText("Authorization: ").innerText().replace("Authorization: ", "");
        assertThat(send(address, authorization)).isEqualTo(200);
        page.reload();
        page.getByText("Recorder of QX-TRY").waitFor();
        assertThat(page.content()).doesNotContain(authorization.replace("Bearer ", ""));
        button(page, "Revoke Recorder of QX-TRY").click();
        button(page, "Revoke").click();
        page.getByText("Revoked 20").waitFor();
        assertThat(send(address, authorization)).isEqualTo(401);
        assertThat(browsers.errors()).isEmpty();
    }

    @Test
    void isNoBusinessOfTheCrew() {
        Page page = CrewMember.signIn(browsers, server, "Eir Strand").page();
        link(page, "Logbook").waitFor();
        assertThat(link(page, "Feeds").count()).isZero();
        page.navigate(server.address() + "/feeds");
        page.getByRole(AriaRole.ALERT).waitFor();
        assertThat(button(page, "Issue a feed").count()).isZero();
    }
}
