package org.skelda.app.feed;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelda.app.ServerTest;
import org.skelda.app.departure.Departures;
import org.skelda.core.departure.Departure;
import org.skelda.core.fact.DayFact;
import org.skelda.core.fact.FactEvent;
import org.skelda.core.fact.Facts;
import org.skelda.core.kind.LineRef;
import org.skelda.core.need.Value;
import org.skelda.core.procedure.Change;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.annotation.DirtiesContext;
import org.springframework.test.web.servlet.MockMvc;

/** News of the day from outside: the crew at work hears all of it, or none. */
@ServerTest
@AutoConfigureMockMvc
@DirtiesContext(classMode = DirtiesContext.ClassMode.AFTER_CLASS)
class NewsDoorTest {
    /** Its crew is past the numbers. */
    private static final String TAIL = "QX-TRY";

    @Autowired
    private MockMvc mvc;

    @Autowired
    private Feeds feeds;

    @Autowired
    private Departures departures;

    private Feeds.Issued feed;

    @BeforeEach
    void aFeed() {
        feed = feeds.issue("vardholm", TAIL, "News", false, "kvale", Instant.now());
    }

    private MockHttpServletResponse tell(Feeds.Issued from, String body) throws Exception {
        return mvc.perform(post("/api/feeds/" + from.feed().id() + "/news")
                        .header("Authorization", "Bearer " + from.token())
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(body))
                .andReturn()
                .getResponse();
    }

    private Departure worked() {
        return departures.worked("vardholm", TAIL, Instant.now()).orElseThrow();
    }

    private List<LineRef> undone() {
        return worked().progress().undoneBy(Change.LOAD);
    }

    @Test
    void aLateLoadIsToldWithItsSourceAndOpensWhatItUndoesOnce() throws Exception {
        List<LineRef> leaning = undone();
        assertThat(leaning).contains(LineRef.parse("numbers/zero-fuel-mass"), LineRef.parse("numbers/trim"));
        assertThat(tell(feed, "{\"source\":\"LOAD\",\"facts\":{\"passengers\":96}}")
                        .getStatus())
                .isEqualTo(204);
        assertThat(undone()).as("what was not known before has not changed").isEqualTo(leaning);
        String load = "{\"source\":\"LOAD\",\"facts\":{\"passengers\":97}}";
        assertThat(tell(feed, load).getStatus()).isEqualTo(204);
        Facts.Given given = worked().facts().given().get(DayFact.PASSENGERS);
        assertThat(given.source()).isEqualTo(FactEvent.Source.LOAD);
        assertThat(given.value()).isEqualTo(new Value.Number(97));
        assertThat(worked().openLines()).containsAll(leaning);
        assertThat(undone()).isEmpty();
        long seq = worked().seq();
        assertThat(tell(feed, load).getStatus()).isEqualTo(204);
        assertThat(worked().seq()).as("the same again is no news").isEqualTo(seq);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '`', textBlock = """
            {"source":"LOAD","facts":{"passengers":98,"bags":12}}          | is no fact of a day
            {"source":"LOAD","facts":{"icing":true,"passengers":-1}}       | a number from 0.0 to 600.0 people
            {"source":"LOAD","facts":{"icing":true,"passengers":true}}     | a number from 0.0 to 600.0 people
            {"source":"WEATHER","facts":{"passengers":98,"icing":1}}       | 'icing' is yes or no
            {"source":"WEATHER","facts":{"passengers":98,"icing":"yes"}}   | is a number, or true or false
            {"source":"WEATHER","facts":{"passengers":98,"icing":null}}    | is a number, or true or false
            {"source":"CREW","facts":{"passengers":98}}                    | source
            {"source":"LOAD","facts":{}}                                   | facts
            """)
    void whatDoesNotFitIsRefusedWholeWithASentence(String body, String words) throws Exception {
        long before = worked().seq();
        MockHttpServletResponse answer = tell(feed, body);
        assertThat(answer.getStatus()).isEqualTo(400);
        assertThat(answer.getContentAsString()).contains(words);
        assertThat(worked().seq()).isEqualTo(before);
    }

    @Test
    void newsForATailThatNobodyWorksIsRefused() throws Exception {
        Feeds.Issued other = feeds.issue("vardholm", "QX-ASK", "News", false, "kvale", Instant.now());
        MockHttpServletResponse answer = tell(other, "{\"source\":\"WEATHER\",\"facts\":{\"oat_c\":4}}");
        assertThat(answer.getStatus()).isEqualTo(409);
        assertThat(answer.getContentAsString()).contains("No departure of QX-ASK is being worked; nothing was kept.");
    }
}
