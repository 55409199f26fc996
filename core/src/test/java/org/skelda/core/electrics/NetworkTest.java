package org.skelda.core.electrics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.skelda.core.electrics.Network.Bus;
import org.skelda.core.electrics.Network.Kind;
import org.skelda.core.electrics.Network.Source;
import org.skelda.core.electrics.Network.Tie;
import org.skelda.core.electrics.Network.Way;
import org.skelda.core.electrics.PowerNow.ApuPower;
import org.skelda.core.electrics.PowerNow.Stand;
import org.skelda.core.start.Switch;

class NetworkTest {
    private static final Network TWIN = new Network(
            List.of(
                    new Source("battery", "Battery", Kind.BATTERY, null, null, "battery-on"),
                    new Source("ground", "Ground power", Kind.GROUND, null, "ground-there", "ground-on"),
                    new Source("apu", "APU generator", Kind.APU, null, null, null),
                    new Source("generator-1", "Generator 1", Kind.ENGINE, 1, null, "generator-1-on"),
                    new Source("generator-2", "Generator 2", Kind.ENGINE, 2, null, null)),
            List.of(new Tie("tie", "Tie", "tie-closed")),
            List.of(
                    bus("main-1", way("generator-1"), way("apu"), way("ground"), new Way("generator-2", "tie")),
                    bus("main-2", way("generator-2"), way("apu"), way("ground"), new Way("generator-1", "tie")),
                    bus("essential", way("main-1"), way("main-2")),
                    bus("battery-bus", way("essential"), way("battery"))),
            "the type");
    private static final List<String> STATES =
            List.of("battery-on", "ground-there", "ground-on", "generator-1-on", "tie-closed");

    private static Bus bus(String id, Way... ways) {
        return new Bus(id, "Bus " + id, List.of(ways), "what " + id + " carries");
    }

    private static Way way(String from) {
        return new Way(from, null);
    }

    private static PowerNow now(Map<String, Boolean> states, Set<Integer> running, boolean apu, boolean generator) {
        return new PowerNow(TWIN, states::get, running, new ApuPower(apu, generator), PowerSeen.NOTHING);
    }

    private static Map<String, Boolean> states(String... on) {
        Map<String, Boolean> states = new HashMap<>();
        STATES.forEach(state -> states.put(state, List.of(on).contains(state)));
        return states;
    }

    private static Stand stand(PowerNow now, String id) {
        return now.stand(source(id));
    }

    private static Source source(String id) {
        return TWIN.sources().stream()
                .filter(one -> one.id().equals(id))
                .findFirst()
                .orElseThrow();
    }

    /** Two batteries on one bus give together; one that is off, or behind an open tie, does not. */
    @Test
    void batteriesThatCarryTogetherAreSaidTogether() {
        Network pair = new Network(
                List.of(
                        new Source("one", "Battery 1", Kind.BATTERY, null, null, "one-on"),
                        new Source("two", "Battery 2", Kind.BATTERY, null, null, "two-on"),
                        new Source("ground", "Ground power", Kind.GROUND, null, "there", "ground-on")),
                List.of(new Tie("tie", "Tie", "tie-closed")),
                List.of(
                        bus("battery-bus", way("ground"), way("one"), new Way("two", "tie")),
                        bus("radio", way("battery-bus"))),
                "the type");
        Map<String, Boolean> states = new HashMap<>(
                Map.of("one-on", true, "two-on", true, "there", true, "ground-on", false, "tie-closed", true));
        PowerNow both = new PowerNow(pair, states::get, Set.of(), null, PowerSeen.NOTHING);
        assertThat(NetworkViewing.view(both).says())
                .isEqualTo("Bus battery-bus and Bus radio on Battery 1 and Battery 2");
        assertThat(NetworkViewing.view(both).sources())
                .extracting(NetworkView.SourceView::stand)
                .containsExactly(Stand.FEEDING, Stand.FEEDING, Stand.AVAILABLE);
        assertThat(NetworkViewing.view(both).sources().get(1).lost()).isEmpty();
        assertThat(NetworkViewing.view(both).sources().get(1).takenOver())
                .containsExactly("Bus battery-bus, Bus radio to Battery 1");
        assertThat(NetworkViewing.view(both).buses())
                .extracting(NetworkView.BusView::beside)
                .containsExactly(List.of("two"), List.of("two"));
        for (String gone : List.of("two-on", "tie-closed")) {
            states.put(gone, false);
            PowerNow alone = new PowerNow(pair, states::get, Set.of(), null, PowerSeen.NOTHING);
            assertThat(NetworkViewing.view(alone).says()).isEqualTo("Bus battery-bus and Bus radio on Battery 1");
            assertThat(stand(alone, pair, "two")).isNotEqualTo(Stand.FEEDING);
            states.put(gone, true);
        }
        states.put("ground-on", true);
        PowerNow ground = new PowerNow(pair, states::get, Set.of(), null, PowerSeen.NOTHING);
        assertThat(NetworkViewing.view(ground).says()).isEqualTo("Bus battery-bus and Bus radio on Ground power");
    }

    private static Stand stand(PowerNow now, Network network, String id) {
        return now.stand(network.sources().stream()
                .filter(one -> one.id().equals(id))
                .findFirst()
                .orElseThrow());
    }

    @Test
    void groundPowerIsAvailableThenOnThenFeedingAndOnWithoutFeedingOnceTheApuHasTakenTheBuses() {
        PowerNow dark = now(states("ground-there"), Set.of(), false, false);
        assertThat(stand(dark, "ground")).isEqualTo(Stand.AVAILABLE);
        assertThat(NetworkViewing.view(dark).says()).isEqualTo("Nothing is powered");
        assertThat(NetworkViewing.view(dark).why()).isEqualTo("Ground power is available, but not on.");

        PowerNow fed = now(states("ground-there", "ground-on", "battery-on"), Set.of(), false, false);
        assertThat(stand(fed, "ground")).isEqualTo(Stand.FEEDING);
        assertThat(stand(fed, "battery")).isEqualTo(Stand.ON);
        assertThat(NetworkViewing.view(fed).says())
                .isEqualTo("Bus main-1, Bus main-2, Bus essential and Bus battery-bus on Ground power");
        assertThat(NetworkViewing.view(fed).why())
                .startsWith("Nobody unplugs Ground power: it carries. Off the bus first.")
                .endsWith("without it Bus main-1, Bus main-2 and Bus essential are lost.");
        assertThat(fed.takenOver(source("ground"))).containsExactly("Bus battery-bus to Battery");

        PowerNow apu = now(states("ground-there", "ground-on", "battery-on"), Set.of(), true, true);
        assertThat(stand(apu, "ground")).isEqualTo(Stand.ON);
        assertThat(stand(apu, "apu")).isEqualTo(Stand.FEEDING);
        assertThat(NetworkViewing.view(apu).why())
                .isEqualTo("Ground power is ON and carries nothing. OFF before the ground unplugs.");
        assertThat(stand(now(states(), Set.of(), true, false), "apu")).isEqualTo(Stand.AVAILABLE);
        assertThat(stand(now(states(), Set.of(), false, false), "ground")).isEqualTo(Stand.AWAY);
    }

    @Test
    void oneGeneratorCarriesBothMainsOnlyThroughAClosedTie() {
        PowerNow open = now(states("generator-1-on"), Set.of(1), false, false);
        assertThat(open.carried(source("generator-1")))
                .extracting(Bus::id)
                .containsExactly("main-1", "essential", "battery-bus");
        assertThat(open.isPowered("main-2")).isFalse();
        PowerNow closed = now(states("generator-1-on", "tie-closed"), Set.of(1), false, false);
        assertThat(closed.carried(source("generator-1"))).hasSize(4);
        assertThat(closed.fed().get("main-2")).isEqualTo(new Network.Fed(new Way("generator-1", "tie"), "generator-1"));
    }

    private static PowerNow shown(PowerSeen seen, String... told) {
        return new PowerNow(TWIN, states(told)::get, Set.of(), new ApuPower(false, false), seen);
    }

    @Test
    void whatInstrumentsShowCountsBeforeWhatWasToldAndIsSaidWhereTheyDiffer() {
        PowerSeen off = PowerSeen.NOTHING.with(sample("ground", Switch.ON, Switch.OFF));
        PowerNow now = shown(off, "ground-there", "ground-on", "battery-on");
        assertThat(stand(now, "ground")).isEqualTo(Stand.AVAILABLE);
        assertThat(now.isPowered("main-1")).isFalse();
        assertThat(now.differences()).containsExactly("Ground power was told ON; the readings show it OFF.");
        assertThat(NetworkViewing.view(now).differs()).isEqualTo(now.differences());
        assertThat(off.state(TWIN, "ground-on")).isFalse();
        assertThat(off.state(TWIN, "battery-on")).as("nothing was shown of it").isNull();

        PowerNow same = shown(off.with(sample("ground", Switch.UNTOLD, Switch.ON)), "ground-there", "ground-on");
        assertThat(stand(same, "ground")).isEqualTo(Stand.FEEDING);
        assertThat(same.differences()).isEmpty();
    }

    @Test
    void aBusThatIsDeadThoughItShouldBeCarriedIsSaidAndIsNotTakenAsCarried() {
        PowerSeen dead = PowerSeen.NOTHING.with(
                new PowerSample(1, Map.of(), Map.of(), Map.of("main-1", Switch.OFF, "main-2", Switch.ON)));
        PowerNow now = shown(dead, "ground-there", "ground-on");
        assertThat(now.differences()).containsExactly("Bus main-1 is dead, though Ground power should carry it.");
        assertThat(now.carried(source("ground"))).extracting(Bus::id).doesNotContain("main-1");
        assertThat(now.isPowered("main-1")).isFalse();
        assertThat(shown(dead).differences())
                .containsExactly("Bus main-2 has power, though no source that is on could carry it.");
    }

    private static PowerSample sample(String source, Switch there, Switch on) {
        return new PowerSample(
                1, Map.of(source, new PowerSample.OfSource(there, on, Double.NaN, Double.NaN)), Map.of(), Map.of());
    }

    @Test
    void aSampleTellsItsStrangersAndGoesOnWithoutThem() {
        PowerSample sample = new PowerSample(
                1,
                Map.of(
                        "ground", new PowerSample.OfSource(Switch.ON, Switch.ON, 28, 3),
                        "windmill", new PowerSample.OfSource(Switch.ON, Switch.ON, 28, 3)),
                Map.of("rope", Switch.ON),
                Map.of("main-1", Switch.ON, "main-7", Switch.ON));
        assertThat(sample.unknown(TWIN)).containsExactly("main-7", "rope", "windmill");
        assertThat(sample.known(TWIN).unknown(TWIN)).isEmpty();
        assertThat(sample.known(TWIN).sources()).containsOnlyKeys("ground");
        assertThat(sample.known(TWIN).buses()).containsOnlyKeys("main-1");
    }

    @Test
    void whatIsNotKnownIsNeverTakenForANo() {
        PowerNow unknown = new PowerNow(TWIN, _ -> null, Set.of(), null, PowerSeen.NOTHING);
        assertThat(unknown.isPowered("main-1")).isNull();
        assertThat(stand(unknown, "ground")).isEqualTo(Stand.NOT_KNOWN);
        assertThat(NetworkViewing.view(unknown).says()).isEqualTo("Which source carries the buses is not known");
        PowerNow off = new PowerNow(
                TWIN, id -> id.equals("ground-there") ? null : (Boolean) false, Set.of(), null, PowerSeen.NOTHING);
        assertThat(stand(off, "ground")).isEqualTo(Stand.NOT_KNOWN);
        assertThat(NetworkViewing.view(off).says())
                .as("plugged in or not, it is off")
                .isEqualTo("Nothing is powered");
    }

    @Test
    void twentyThousandRandomAircraftAreFedFromWhatGivesAndFromNothingElse() {
        SplittableRandom random = new SplittableRandom(7);
        int lost = 0;
        for (int round = 0; round < 20_000; round++) {
            PowerNow now = anyNow(random);
            Map<String, Network.Fed> fed = now.fed();
            fed.forEach((bus, by) -> {
                assertThat(stand(now, by.source())).isEqualTo(Stand.FEEDING);
                assertThat(now.isPowered(bus)).isTrue();
                boolean isBus = TWIN.buses().stream()
                        .anyMatch(one -> one.id().equals(by.way().from()));
                assertThat(isBus ? fed.get(by.way().from()).source() : by.way().from())
                        .isEqualTo(by.source());
            });
            for (Source one : TWIN.sources()) {
                List<Bus> carried = now.carried(one);
                assertThat(carried.isEmpty()).isEqualTo(now.stand(one) != Stand.FEEDING);
                assertThat(carried).containsAll(now.lostWithout(one));
                long over = now.takenOver(one).stream()
                        .flatMap(words ->
                                List.of(words.replaceFirst(" to .*", "").split(", ")).stream())
                        .count();
                assertThat(now.lostWithout(one).size() + over).isEqualTo(carried.size());
                lost += now.lostWithout(one).size();
            }
        }
        assertThat(lost).isGreaterThan(10_000);
    }

    @Test
    void whatIsSaidWithAnUnknownHoldsHoweverItTurnsOut() {
        SplittableRandom random = new SplittableRandom(11);
        int open = 0;
        for (int round = 0; round < 5_000; round++) {
            Map<String, Boolean> known = states();
            List<String> unknown = new ArrayList<>();
            for (String state : STATES) {
                switch (random.nextInt(3)) {
                    case 0 -> unknown.add(state);
                    case 1 -> known.put(state, true);
                    default -> known.put(state, false);
                }
            }
            unknown.forEach(known::remove);
            Set<Integer> running = running(random);
            boolean apu = random.nextBoolean();
            boolean generator = random.nextBoolean();
            PowerNow now = now(known, running, apu, generator);
            for (Bus bus : TWIN.buses()) {
                Set<Boolean> outcomes = completions(known, unknown)
                        .map(states -> now(states, running, apu, generator).isPowered(bus.id()))
                        .collect(Collectors.toSet());
                Boolean said = now.isPowered(bus.id());
                if (said != null) {
                    assertThat(outcomes).as("%s with %s", bus.id(), known).containsExactly(said);
                }
                open += said == null ? 1 : 0;
            }
        }
        assertThat(open).isGreaterThan(1_000);
    }

    private static Stream<Map<String, Boolean>> completions(Map<String, Boolean> known, List<String> unknown) {
        return IntStream.range(0, 1 << unknown.size()).mapToObj(bits -> {
            Map<String, Boolean> states = new HashMap<>(known);
            for (int i = 0; i < unknown.size(); i++) {
                states.put(unknown.get(i), (bits >> i & 1) == 1);
            }
            return states;
        });
    }

    private static Set<Integer> running(SplittableRandom random) {
        return switch (random.nextInt(4)) {
            case 0 -> Set.of(1);
            case 1 -> Set.of(2);
            case 2 -> Set.of(1, 2);
            default -> Set.of();
        };
    }

    private static PowerNow anyNow(SplittableRandom random) {
        Map<String, Boolean> states = states();
        STATES.forEach(state -> states.put(state, random.nextBoolean()));
        return now(states, running(random), random.nextBoolean(), random.nextBoolean());
    }

    @Test
    void aNetworkThatContradictsItselfIsRefusedByName() {
        List<Source> sources = List.of(new Source("battery", "Battery", Kind.BATTERY, null, null, "on"));
        assertThatThrownBy(() -> new Network(sources, List.of(), List.of(bus("main", way("cart"))), "x"))
                .hasMessage("main: there is no source, and no bus before it, called cart");
        assertThatThrownBy(() -> new Network(sources, List.of(), List.of(bus("main", new Way("battery", "tie"))), "x"))
                .hasMessage("main: there is no tie called tie");
        assertThatThrownBy(() -> new Network(sources, List.of(), List.of(bus("battery", way("battery"))), "x"))
                .hasMessage("battery: there are two of this name");
        assertThatThrownBy(() -> new Network(
                        List.of(new Source("g", "G", Kind.ENGINE, null, null, null)), List.of(), List.of(), "x"))
                .hasMessage("g: whose engine turns it?");
        assertThatThrownBy(() -> new Network(
                        List.of(new Source("g", "G", Kind.GROUND, null, null, null)), List.of(), List.of(), "x"))
                .hasMessage("g: which state tells that it is on?");
    }
}
