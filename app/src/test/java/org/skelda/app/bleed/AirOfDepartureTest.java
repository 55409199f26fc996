package org.skelda.app.bleed;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelda.app.ServerTest;
import org.skelda.app.clock.ServerClock;
import org.skelda.app.departure.Departures;
import org.skelda.app.departure.Rehearsals;
import org.skelda.app.procedure.Packs;
import org.skelda.core.bleed.AirView;
import org.skelda.core.departure.Event;
import org.skelda.core.kind.Choice;
import org.skelda.core.kind.Communication;
import org.skelda.core.kind.LineRef;
import org.skelda.core.kind.Work;
import org.skelda.core.line.LineEvent;
import org.skelda.formats.start.StartProfiles;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.annotation.DirtiesContext;

/** The list for starters without air tells the air network what the cart gives, and the strip tells its cautions. */
@ServerTest
@DirtiesContext(classMode = DirtiesContext.ClassMode.AFTER_CLASS)
class AirOfDepartureTest {
    private static final Work DONE = new Work.Answered(false, null);

    @Autowired
    private Departures departures;

    @Autowired
    private Packs packs;

    @Autowired
    private ServerClock clock;

    private void worked(UUID id, String line, Work work) {
        new Rehearsals(departures, packs)
                .happens(
                        id,
                        Event.of(new LineEvent.LineWorked(LineRef.parse("air-missing/" + line), work)),
                        clock.instant());
    }

    private AirView air(UUID id, String type, int engine) {
        return AirOfDeparture.view(departures.state(id), StartProfiles.of(type), engine, Map.of(), 15.0, null)
                .orElseThrow();
    }

    @ParameterizedTest
    @CsvSource({"QX-LOM, HAVERN-2M, 1", "QX-EIK, HAVERN-2A, 1", "QX-VIE, TEISTA-B2, 2"})
    void aCartThatGivesAirIsASourceWithItsCautionUntilItIsOff(String tail, String type, int engine) {
        UUID id = new Rehearsals(departures, packs).open(tail, type, Map.of(), clock.instant());
        assertThat(air(id, type, engine).from()).isEmpty();
        worked(id, "from", new Choice.Chosen("cart", null));
        worked(id, "cart-in", new Communication.Heard(Map.of(), false));
        assertThat(air(id, type, engine).from()).as("connected is not giving").isEmpty();
        worked(id, "cart-on", DONE);
        AirView onCart = air(id, type, engine);
        assertThat(onCart.from()).containsExactly("Ground air");
        assertThat(onCart.wrong()).isFalse();
        assertThat(onCart.expected_kpa()).isGreaterThan(onCart.least_kpa());
        assertThat(onCart.notes()).anyMatch(note -> note.contains("people are clear of intake and exhaust"));
        worked(id, "cart-off", DONE);
        assertThat(air(id, type, engine).from()).isEmpty();
    }
}
