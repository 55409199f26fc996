package org.skelda.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

/**
 * A Havern 2A from cold and dark to powered and aligned: a weak battery, ground power, a charge current that must fall,
 * a fire lamp that is missing, an APU that is shut down in its order and one that stops itself and has its batteries
 * taken too early, a wrong position, and a tow in the middle of the count. Once read from the aircraft, once with
 * nothing but eyes and hands.
 */
class ColdToAlignedTest {
    /** Six minutes of alignment are twenty seconds. */
    private static final double READ = 20;
    /** For one who types; not for a charge current, which must have fallen within ninety seconds. */
    private static final double TYPED = 8;

    private static final String FLIGHT = "431";
    private TestServer server;
    private Browsers browsers;

    /** Each on a day of its own: both are the same flight. */
    private void start(double timesLife) {
        server = TestServer.start(timesLife);
        browsers = new Browsers();
    }

    @AfterEach
    void end() {
        browsers.close();
        server.close();
    }

    private ApiCrew crew(DeskOfDeparture captain) {
        return new ApiCrew(captain.departureId())
                .reads(Map.of("EGT before the starter", "55", "Drift of the last leg", "2.6"))
                .with("LEFT", ApiClient.signIn(server, "oddsrud"))
                .with("RIGHT", ApiClient.signIn(server, "vagsborg"));
    }

    private DeskOfDeparture seated() {
        DeskOfDeparture captain =
                CrewMember.signIn(browsers, server, "Malin Oddsrud").open(FLIGHT);
        captain.takeSeat("Left", "flying");
        CrewMember.signIn(browsers, server, "Teitur Vagsborg").open(FLIGHT).takeSeat("Right", "monitoring");
        return captain;
    }

    @Test
    void readFromTheAircraft() {
        start(READ);
        DeskOfDeparture captain = seated();
        ApiCrew both = crew(captain);
        both.work("first-look");
        captain.go("Safety and power");
        PowerOfDesk power = PowerOfDesk.over(captain);
        power.says("Nothing is powered");
        power.attachSimulated();
        power.becomes("Battery 1", "weak");
        power.shows("23.7 V");
        Axe.findsNothing(captain.page(), "the simulated sources");
        Pictures.take(captain, "cold-1-dark");
        power.close();

        aWeakBatteryIsReadAndOnceItIsGoodReadAgain(captain);
        groundPowerThatIsToldOnAndIsNot(captain);
        aCurrentThatFallsIsTakenByOneKey(captain);
        both.workTo("quiet-panel", "quiet-panel/fire-test-1");
        aLampIsMissing(captain);
        both.work("quiet-panel");
        anApuInItsOrderAndOneThatStopsItself(captain, both);
        aWrongPositionAndATow(captain);
        assertThat(browsers.errors()).isEmpty();
    }

    private static void aWeakBatteryIsReadAndOnceItIsGoodReadAgain(DeskOfDeparture captain) {
        captain.workUntil(() -> captain.line().equals("Battery 1 volts"));
        captain.waitForCard("The readings show 23.7 V now.");
        oneKey(captain, "Enter");
        captain.waitForCard("Charge it 25 min on external power");
        Pictures.take(captain, "cold-2-weak");
        PowerOfDesk power = PowerOfDesk.over(captain);
        power.becomes("Battery 1", "good");
        power.shows("25.7 V");
        power.close();
        captain.waitForCard("The readings show 25.7 V now.");
        oneKey(captain, "Enter");
        captain.page().waitForCondition(() -> captain.line().equals("Battery 2 volts"));
        captain.waitForCard("The readings show 25.7 V now.");
        oneKey(captain, "Enter");
        captain.page().waitForCondition(() -> captain.line().equals("Batteries 1 and 2"));
    }

    private static void groundPowerThatIsToldOnAndIsNot(DeskOfDeparture captain) {
        PowerOfDesk power = PowerOfDesk.over(captain);
        power.turn("Battery 1", "OFF", "ON");
        power.turn("Battery 2", "OFF", "ON");
        power.says("Battery bus on Battery 1 and Battery 2");
        power.close();
        captain.workUntil(() ->
                captain.line().equals("Batteries 1 and 2") && captain.cardText().contains("OFF and back ON"));
        power = PowerOfDesk.over(captain);
        power.shows("Ground power was told ON; the readings show it OFF.");
        Axe.findsNothing(captain.page(), "readings that differ");
        Pictures.take(captain, "cold-3-differs");
        power.turn("Ground power", "OFF", "ON");
        power.says("Main 1, Main 2, Essential AC and Battery bus on Ground power");
        power.shows("Nobody unplugs Ground power");
        power.turn("Battery 1", "ON", "OFF");
        power.turn("Battery 1", "OFF", "ON");
        power.close();
    }

    private static void aCurrentThatFallsIsTakenByOneKey(DeskOfDeparture captain) {
        oneKey(captain, "Space");
        captain.page().waitForCondition(() -> captain.line().equals("Charge current"));
        captain.waitForCard("charged and falling");
        Pictures.take(captain, "cold-4-falls");
        Axe.findsNothing(captain.page(), "a charge current that is read");
        oneKey(captain, "Enter");
        captain.page().waitForCondition(() -> !captain.line().equals("Charge current"));
        captain.workUntil(() -> captain.cardText().contains("Safety and power is complete")
                || !captain.title().equals("Safety and power"));
    }

    private static void aLampIsMissing(DeskOfDeparture captain) {
        captain.go("Quiet panel");
        captain.waitForCard("Engine 1 fire test");
        SimulatedLamps lights = SimulatedLamps.opened(captain);
        lights.lamp("Fire button 1", "failed");
        lights.press("Engine 1 fire test", "Held");
        assertThat(lights.showing()).contains("Fire bell").doesNotContain("Fire button 1");
        captain.lookAtGroup();
        captain.waitForCard("Held: Engine 1 fire");
        captain.waitForCard("feed: dark");
        Pictures.take(captain, "cold-5-lamp");
        Axe.findsNothing(captain.page(), "a fire lamp that is missing");
        captain.lookAtGroup();
        captain.waitForCard("Before: Fire button 1: missing.");
        lights.press("Engine 1 fire test", "Released");
        assertThat(lights.showing()).isEmpty();
        captain.waitForCard("Nothing shows");
        captain.page().waitForCondition(() -> !captain.cardText().contains("The feed tells beside"));
        captain.lookAtGroup();
        captain.waitForCard("Released: Engine 1 fire");
        TestServer.pause(DeskOfDeparture.LONGER_THAN_ONE_PRESS_MS);
        captain.lookAtGroup();
        captain.waitForCard("maintenance");
        DeskOfDeparture.button(captain.card(), "Maintenance").click();
        captain.waitForCard("Fire button 1: missing, with maintenance");
        lights.lamp("Fire button 1", "whole");
        TestServer.pause(DeskOfDeparture.LONGER_THAN_ONE_PRESS_MS);
        captain.press("r");
        captain.waitForCard("Begun anew once");
        lights.press("Engine 1 fire test", "Held");
        theTestIsMadeAgain(captain, () -> lights.press("Engine 1 fire test", "Released"));
        lights.page().close();
    }

    /** @param letGo lets its switch go, once what is held was looked at */
    private static void theTestIsMadeAgain(DeskOfDeparture captain, Runnable letGo) {
        for (String place : new String[] {
            "Held: Bell and master lamps", "Held: Engine 1 fire",
            "Released: Bell and master lamps", "Released: Engine 1 fire"
        }) {
            captain.waitForCard(place);
            if (place.equals("Released: Bell and master lamps")) {
                letGo.run();
                captain.page().waitForCondition(() -> !captain.cardText().contains("The feed tells beside"));
            }
            TestServer.pause(DeskOfDeparture.LONGER_THAN_ONE_PRESS_MS);
            captain.lookAtGroup();
        }
        captain.waitForCard("Engine 2 fire test");
    }

    private static void anApuInItsOrderAndOneThatStopsItself(DeskOfDeparture captain, ApiCrew both) {
        both.workTo("apu", "apu/ground-power-away");
        ApuOfDesk apu = ApuOfDesk.over(captain);
        apu.says("APU: available");
        apu.close();
        PowerOfDesk power = PowerOfDesk.over(captain);
        power.says("on APU generator");
        power.shows("Ground power is ON and carries nothing.");
        power.close();
        apu = ApuOfDesk.over(captain);
        apu.turn("Master", "ON", "OFF");
        apu.says("Batteries may go off");
        apu.close();
        power = PowerOfDesk.over(captain);
        power.says("on Ground power");
        power.close();

        apu = ApuOfDesk.over(captain);
        apu.says("APU: off");
        apu.turn("Master", "OFF", "ON");
        apu.says("APU: start it");
        apu.press("Start");
        apu.says("APU: available");
        apu.goesWrong("stops-gearbox-oil-low");
        apu.says("gearbox oil pressure low");
        apu.says("Maintenance before another start.");
        apu.turn("Batteries", "ON", "OFF");
        apu.says("its fault is latched");
        Pictures.take(captain, "cold-6-latched");
        Axe.findsNothing(captain.page(), "an APU whose fault is latched");
        apu.turn("Batteries", "OFF", "ON");
        apu.press("Reset outside");
        apu.close();
    }

    private static void aWrongPositionAndATow(DeskOfDeparture captain) {
        UnitsOfDesk units = UnitsOfDesk.over(captain);
        units.press("ALIGN");
        units.says("Enter the position");
        units.type("Type into it", "3 12.0 S 024 36.0 W", "Enter");
        units.says("ask for the position again");
        units.says("North and south exchanged?");
        Pictures.take(captain, "cold-7-position");
        units.press("Enter the stand");
        units.says("Inertial units 1 and 2 align");
        units.press("Tow begins");
        units.press("Tow ends");
        units.says("It was moved, and the count began anew.");
        Pictures.take(captain, "cold-8-towed");
        Axe.findsNothing(captain.page(), "units that were towed");
        // This type's units navigate by themselves once nothing is missing.
        units.says("Inertial units navigate");
        units.close();
    }

    @Test
    void toldByEyesAndHands() {
        start(1);
        DeskOfDeparture captain = seated();
        ApiCrew both = crew(captain);
        both.work("first-look");
        captain.go("Safety and power");
        power(captain, "Nothing is powered");
        captain.workUntil(() -> captain.line().equals("Battery 1 volts"));
        reads(captain, "23.9", "Charge it 25 min on external power");
        reads(captain, "25.3", "25.3 V");
        captain.workUntil(() -> captain.line().equals("Ground power"));
        power(captain, "Battery bus on Battery 1 and Battery 2");
        captain.workUntil(() ->
                captain.line().equals("Batteries 1 and 2") && captain.cardText().contains("OFF and back ON"));
        String sheet = power(captain, "Main 1, Main 2, Essential AC and Battery bus on Ground power");
        assertThat(sheet).contains("Ground power ON, feeding", "Lost without it: Essential AC");
        captain.workUntil(() -> captain.line().equals("Charge current"));
        aCurrentIsReadUntilItFalls(captain);

        server.restart(TYPED);
        captain.page().reload();
        captain.card().waitFor();
        both.workTo("quiet-panel", "quiet-panel/fire-test-1");
        aLampThatIsNotLit(captain);
        both.work("quiet-panel");
        both.workTo("apu", "apu/ground-power-away");
        groundPowerIsUnpluggedOnceItCarriesNothing(captain);
        anApuToldByTaps(captain);
        aPositionAndATowToldByTaps(captain);
        assertThat(browsers.errors()).isEmpty();
    }

    private static void aCurrentIsReadUntilItFalls(DeskOfDeparture captain) {
        reads(captain, "70", "70 A, 25 A over 45");
        reads(captain, "74", "It rose from 70 to 74 A");
        String before = captain.cardText();
        captain.type("38");
        captain.press("Enter");
        captain.waitUntilChanged(before);
        captain.page().waitForCondition(() -> !captain.line().equals("Charge current"));
        captain.lookBackTo("Charge current");
        captain.waitForCard("38 A and falling, under 45 A by");
        Pictures.take(captain, "told-1-falls");
        Axe.findsNothing(captain.page(), "a charge current that rose once and fell");
        captain.press("Escape");
        captain.workUntil(() -> captain.cardText().contains("Safety and power is complete")
                || !captain.title().equals("Safety and power"));
    }

    private static void aLampThatIsNotLit(DeskOfDeparture captain) {
        captain.go("Quiet panel");
        captain.waitForCard("Engine 1 fire test");
        captain.lookAtGroup();
        captain.waitForCard("Held: Engine 1 fire");
        TestServer.pause(DeskOfDeparture.LONGER_THAN_ONE_PRESS_MS);
        captain.press("1");
        captain.waitForCard("Lit after all");
        TestServer.pause(DeskOfDeparture.LONGER_THAN_ONE_PRESS_MS);
        Pictures.take(captain, "told-2-lamp");
        captain.lookAtGroup();
        captain.waitForCard("Before: Fire button 1: missing.");
        captain.lookAtGroup();
        captain.waitForCard("Released: Engine 1 fire");
        TestServer.pause(DeskOfDeparture.LONGER_THAN_ONE_PRESS_MS);
        captain.lookAtGroup();
        captain.waitForCard("maintenance");
        DeskOfDeparture.button(captain.card(), "Maintenance").click();
        captain.waitForCard("Fire button 1: missing, with maintenance");
        TestServer.pause(DeskOfDeparture.LONGER_THAN_ONE_PRESS_MS);
        captain.press("r");
        captain.waitForCard("Begun anew once");
        theTestIsMadeAgain(captain, () -> {});
    }

    private static void groundPowerIsUnpluggedOnceItCarriesNothing(DeskOfDeparture captain) {
        captain.go("APU");
        captain.page().waitForCondition(() -> captain.line().equals("Ground power"));
        String sheet = power(captain, "Main 1, Main 2, Essential AC and Battery bus on APU generator");
        assertThat(sheet).contains("Ground power ON, no load");
        captain.lookAheadTo("Plug");
        assertThat(captain.cardText()).contains("Ground power", "whoever holds the plug");
        captain.press("Escape");
        captain.page().waitForCondition(() -> captain.line().equals("Ground power"));
        captain.answerByKey();
        captain.page().waitForCondition(() -> captain.line().equals("Plug"));
        sheet = power(captain, "Main 1, Main 2, Essential AC and Battery bus on APU generator");
        assertThat(sheet).contains("Ground power available, not on");
        captain.answerByKey();
        captain.page().waitForCondition(() -> !captain.line().equals("Plug"));
        assertThat(power(captain, "on APU generator")).contains("Ground power not plugged in");
    }

    private static void anApuToldByTaps(DeskOfDeparture captain) {
        ApuOfDesk apu = ApuOfDesk.over(captain);
        apu.says("APU: available");
        apu.tell("Master OFF");
        apu.says("Batteries stay ON");
        apu.space("Zero speed");
        apu.says("APU: off");
        apu.space("Master ON");
        apu.says("APU: start it");
        apu.space("Start");
        apu.space("It has lit");
        apu.space("Starter out");
        apu.space("At its speed");
        apu.says("APU: available");
        apu.page().getByLabel("It stopped itself").selectOption("GEARBOX_OIL_LOW");
        apu.says("gearbox oil pressure low");
        apu.says("Maintenance before another start.");
        apu.tell("Batteries OFF");
        apu.says("its fault is latched");
        Pictures.take(captain, "told-3-latched");
        apu.close();
    }

    private static void aPositionAndATowToldByTaps(DeskOfDeparture captain) {
        UnitsOfDesk units = UnitsOfDesk.over(captain);
        units.space("ALIGN");
        units.says("Enter the position in inertial units 1 and 2");
        units.type("Position as the units show it", "N91 24.6 W010 49.2", "Compare and enter");
        captain.page().getByText("Latitude").first().waitFor();
        units.type("Position as the units show it", "3 12.0 S 024 36.0 W", "Compare and enter");
        units.says("North and south exchanged?");
        Pictures.take(captain, "told-4-position");
        units.space("Entered, as on the sign");
        units.says("Inertial units 1 and 2 align");
        units.of("What else is told is of", "2");
        units.press("Towed or shaken");
        units.desk().getByText("begun anew once").waitFor();
        Pictures.take(captain, "told-5-towed");
        Axe.findsNothing(captain.page(), "units that were towed, told by taps");
        units.says("Inertial units navigate");
        units.close();
    }

    private static void reads(DeskOfDeparture captain, String shown, String says) {
        TestServer.pause(DeskOfDeparture.LONGER_THAN_ONE_PRESS_MS);
        captain.type(shown);
        captain.press("Enter");
        captain.text(says).first().waitFor();
    }

    /** Looks at the sources and buses, and leaves them again. @return what the sheet told */
    private static String power(DeskOfDeparture captain, String says) {
        PowerOfDesk power = PowerOfDesk.over(captain);
        power.says(says);
        Axe.findsNothing(captain.page(), "sources and buses");
        String told = power.desk().innerText();
        power.close();
        return told;
    }

    private static void oneKey(DeskOfDeparture captain, String key) {
        TestServer.pause(DeskOfDeparture.LONGER_THAN_ONE_PRESS_MS);
        captain.press(key);
    }
}
