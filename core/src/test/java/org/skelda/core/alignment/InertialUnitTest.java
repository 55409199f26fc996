package org.skelda.core.alignment;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.skelda.core.alignment.InertialUnit.Missing;
import org.skelda.core.alignment.InertialUnit.Phase;

class InertialUnitTest {
    private static final Instant T0 = Instant.parse("2026-05-04T10:00:00Z");
    private static final Position STAND = new Position(62.41, -10.82);
    private static final Position FAR = new Position(61.02, -7.44);
    private static final AlignmentRule FULL = new AlignmentRule(Duration.ofMinutes(6), Duration.ofMinutes(18), 78.5);
    private static final UnitRule RULE =
            new UnitRule(FULL, Duration.ofSeconds(40), Duration.ofSeconds(4), Duration.ofSeconds(20), 12, false);
    private static final UnitRule BY_ITSELF =
            new UnitRule(FULL, Duration.ofSeconds(40), Duration.ofSeconds(4), Duration.ofSeconds(20), 12, true);
    /** 6 min over the cosine of 62.41 degrees. */
    private static final Duration COUNT = Duration.ofMillis(777_330);

    private static Instant s(double seconds) {
        return T0.plusMillis(Math.round(seconds * 1000));
    }

    private static InertialUnit after(InertialUnit unit, UnitEvent... events) {
        InertialUnit now = unit;
        for (UnitEvent event : events) {
            assertThat(now.refusal(event)).as("%s in %s", event, now.phase()).isNull();
            now = now.step(event);
        }
        return now;
    }

    private static InertialUnit off() {
        return InertialUnit.off(RULE, STAND, T0);
    }

    private static UnitEvent on(double seconds) {
        return new UnitEvent.SwitchedOn(s(seconds), 62.41);
    }

    private static UnitEvent typed(double seconds, Position position) {
        return new UnitEvent.PositionEntered(s(seconds), position);
    }

    private static InertialUnit navigating() {
        return after(off(), on(0), typed(30, STAND), new UnitEvent.NavigationSelected(s(800)));
    }

    @Test
    void countsByLatitudeAndNavigatesOnceItIsTold() {
        InertialUnit unit = after(off(), on(0), typed(30, STAND));
        assertThat(unit.counted().orElseThrow())
                .isBetween(T0.plus(COUNT).minusMillis(200), T0.plus(COUNT).plusMillis(200));
        assertThat(unit.missing(s(700))).containsExactly(Missing.TIME);
        assertThat(unit.refusal(new UnitEvent.NavigationSelected(s(700)))).isEqualTo("It is not aligned.");
        assertThat(unit.missing(s(778))).isEmpty();
        assertThat(unit.at(s(900)).phase()).as("its selector is still on align").isEqualTo(Phase.ALIGNING);
        assertThat(after(unit, new UnitEvent.NavigationSelected(s(800))).phase())
                .isEqualTo(Phase.NAVIGATING);
    }

    @Test
    void oneThatNavigatesByItselfDoesSoAtTheMomentAtWhichNothingWasMissing() {
        InertialUnit unit = after(InertialUnit.off(BY_ITSELF, STAND, T0), on(0), typed(1000, STAND));
        assertThat(unit.at(s(5000)).since()).isEqualTo(s(1000));
        InertialUnit early = after(InertialUnit.off(BY_ITSELF, STAND, T0), on(0), typed(10, STAND));
        assertThat(early.at(s(5000)).since()).isEqualTo(early.counted().orElseThrow());
    }

    @Test
    void aFarPositionIsAskedForAgainWithTheSlipAndTakenTheSecondTime() {
        Position south = new Position(-62.41, -10.82);
        InertialUnit asks = after(off(), on(0), typed(30, south));
        assertThat(asks.missing(s(31))).contains(Missing.POSITION_AGAIN);
        assertThat(asks.slip()).contains(PositionSlip.NORTH_FOR_SOUTH);
        assertThat(after(asks, typed(40, STAND)).position()).isEqualTo(STAND);
        InertialUnit twice = after(off(), on(0), typed(30, FAR), typed(40, FAR));
        assertThat(twice.position()).isEqualTo(FAR);
        InertialUnit other = after(off(), on(0), typed(30, FAR), typed(40, south));
        assertThat(other.position())
                .as("two that differ are no two identical ones")
                .isNull();
    }

    @Test
    void oneThatLostItsMemoryTakesAPositionOnlyTwice() {
        InertialUnit lost = after(navigating(), new UnitEvent.PowerGone(s(900)), on(1000), typed(1010, STAND));
        assertThat(lost.stored()).isNull();
        assertThat(lost.missing(s(1011))).contains(Missing.POSITION_AGAIN);
        assertThat(after(lost, typed(1020, STAND)).position()).isEqualTo(STAND);
    }

    @Test
    void switchedOffItKeepsItsPositionIfItsPowerStaysOnLongEnough() {
        InertialUnit storing = after(navigating(), new UnitEvent.SwitchedOff(s(900), FAR));
        assertThat(after(storing, new UnitEvent.PowerGone(s(919.9))).stored()).isNull();
        assertThat(after(storing, new UnitEvent.PowerGone(s(920))).stored()).isEqualTo(FAR);
        assertThat(storing.at(s(930)).since()).isEqualTo(s(920));
    }

    @Test
    void backWithinFourSecondsItAlignsQuicklyAndLaterFully() {
        InertialUnit storing = after(navigating(), new UnitEvent.SwitchedOff(s(900), STAND));
        InertialUnit quick = after(storing, on(904), typed(906, STAND));
        assertThat(quick.quick()).isTrue();
        assertThat(quick.missing(s(943.9))).containsExactly(Missing.TIME);
        assertThat(quick.missing(s(944))).isEmpty();
        assertThat(after(storing, on(904.1)).quick()).isFalse();
    }

    @Test
    void towingBeginsTheCountAnewAndNoQuickOneStaysQuick() {
        InertialUnit towed = after(off(), on(0), typed(30, STAND), new UnitEvent.Moved(s(600)));
        assertThat(towed.restarts()).isOne();
        assertThat(towed.missing(s(800))).containsExactly(Missing.TIME);
        assertThat(towed.counted().orElseThrow()).isAfter(s(1377));
        InertialUnit quick =
                after(navigating(), new UnitEvent.SwitchedOff(s(900), STAND), on(902), new UnitEvent.Moved(s(910)));
        assertThat(quick.needs()).isGreaterThan(Duration.ofMinutes(12));
        assertThat(after(navigating(), new UnitEvent.Moved(s(900)))).isEqualTo(navigating());
    }

    @Test
    void aCodeHoldsTheAlignmentUntilItIsDealtWith() {
        InertialUnit held = after(off(), on(0), typed(30, STAND), new UnitEvent.CodeShown(s(40), "21"));
        assertThat(held.missing(s(2000))).containsExactly(Missing.CODE);
        assertThat(after(held, new UnitEvent.CodeCleared(s(2000))).missing(s(2000)))
                .isEmpty();
    }

    @Test
    void nearAPoleItDoesNotAlign() {
        UnitEvent on = new UnitEvent.SwitchedOn(T0, 79);
        assertThat(off().refusal(on))
                .isEqualTo("It does not align at this latitude; use the operator's polar procedure.");
        assertThat(off().step(on)).isEqualTo(off());
    }

    /** Any order of inputs: time runs forward, nothing is skipped, and what is missing never decides. */
    @Test
    void whateverComesInWhateverOrder() {
        SplittableRandom random = new SplittableRandom(75);
        int navigated = 0;
        for (int history = 0; history < 500; history++) {
            InertialUnit begun = InertialUnit.off(random.nextBoolean() ? RULE : BY_ITSELF, STAND, T0);
            InertialUnit unit = begun;
            List<UnitEvent> taken = new ArrayList<>();
            double now = 0;
            for (int i = 0; i < 40; i++) {
                now += random.nextInt(4) == 0 ? random.nextDouble(900) : random.nextDouble(10);
                UnitEvent event = any(random, random.nextInt(20) == 0 ? now - 30 : now);
                InertialUnit before = unit;
                String refusal = before.refusal(event);
                unit = before.step(event);
                if (refusal != null) {
                    assertThat(unit).isSameAs(before);
                    assertThat(refusal).endsWith(".");
                    continue;
                }
                taken.add(event);
                assertThat(unit.since()).isAfterOrEqualTo(before.since());
                if (event instanceof UnitEvent.Found) {
                    continue; // It may be found in any state.
                }
                if (unit.phase() == Phase.NAVIGATING && before.phase() != Phase.NAVIGATING) {
                    navigated++;
                    assertThat(unit.position()).isNotNull();
                    assertThat(before.at(event.at()).missing(event.at())).isEmpty();
                }
                if (unit.phase() == Phase.STORING) {
                    assertThat(before.at(event.at()).phase()).isIn(Phase.NAVIGATING, Phase.STORING);
                }
                InertialUnit later = unit.at(event.at().plusSeconds(random.nextInt(3000)));
                assertThat(later.at(later.since().plusSeconds(9000)).since()).isAfterOrEqualTo(later.since());
            }
            InertialUnit replayed = begun;
            for (UnitEvent event : taken) {
                replayed = replayed.step(event);
            }
            assertThat(replayed).isEqualTo(unit);
        }
        assertThat(navigated).isGreaterThan(100);
    }

    private static UnitEvent any(SplittableRandom random, double seconds) {
        Instant at = s(Math.max(0, seconds));
        return switch (random.nextInt(11)) {
            case 0, 1 -> new UnitEvent.SwitchedOn(at, random.nextDouble(-78, 78));
            case 2, 3 -> new UnitEvent.PositionEntered(at, random.nextInt(3) == 0 ? FAR : STAND);
            case 4 -> new UnitEvent.Moved(at);
            case 5 -> random.nextInt(3) == 0 ? new UnitEvent.CodeShown(at, "21") : new UnitEvent.CodeCleared(at);
            case 6, 7 -> new UnitEvent.NavigationSelected(at);
            case 8 -> new UnitEvent.SwitchedOff(at, STAND);
            case 9 ->
                random.nextInt(3) > 0
                        ? new UnitEvent.AsksAgain(at)
                        : new UnitEvent.Found(
                                at,
                                Phase.values()[random.nextInt(4)],
                                random.nextBoolean() ? STAND : null,
                                Duration.ofSeconds(random.nextInt(400)));
            default -> random.nextInt(3) == 0 ? new UnitEvent.PowerGone(at) : new UnitEvent.CodeCleared(at);
        };
    }

    /** The page of what follows what is made from the code. */
    @Test
    void theTableOfTransitionsIsTheOneInTheDocuments() throws IOException {
        Path file = Path.of("../docs/alignment.md");
        String made = table();
        if (Boolean.getBoolean("skelda.tables.write")) {
            Files.writeString(file, made);
        }
        assertThat(Files.readString(file)).isEqualTo(made);
    }

    private static String table() {
        List<InertialUnit> each = List.of(
                off(),
                after(off(), on(0)),
                after(off(), on(0), typed(30, FAR)),
                after(off(), on(0), typed(30, STAND)),
                after(off(), on(0), typed(30, STAND), new UnitEvent.CodeShown(s(40), "21")),
                navigating(),
                after(navigating(), new UnitEvent.SwitchedOff(s(900), STAND)));
        List<String> names = List.of(
                "off",
                "aligning, no position",
                "aligning, far position typed once",
                "aligning, position taken, count over",
                "aligning, shows a code",
                "navigating",
                "storing, within 4 s");
        List<String> events = List.of(
                "it is",
                "switched on",
                "position typed",
                "the far one again",
                "moved",
                "code shown",
                "code cleared",
                "navigation selected",
                "switched off",
                "power gone",
                "asks again",
                "found navigating");
        StringBuilder table = new StringBuilder("# What an inertial unit does\n\n")
                .append("Made by a test from the code, for a type whose units are told to navigate. ")
                .append("A cell is what the unit does after the event; what it does not take stands in words.\n\n| ")
                .append(String.join(" | ", events))
                .append(" |\n|")
                .append("---|".repeat(events.size()))
                .append('\n');
        for (int i = 0; i < each.size(); i++) {
            InertialUnit unit = each.get(i);
            Instant at = unit.phase() == Phase.STORING ? s(903) : s(1000);
            table.append("| ").append(names.get(i)).append(" |");
            for (UnitEvent event : List.of(
                    new UnitEvent.SwitchedOn(at, 62.41),
                    new UnitEvent.PositionEntered(at, STAND),
                    new UnitEvent.PositionEntered(at, FAR),
                    new UnitEvent.Moved(at),
                    new UnitEvent.CodeShown(at, "21"),
                    new UnitEvent.CodeCleared(at),
                    new UnitEvent.NavigationSelected(at),
                    new UnitEvent.SwitchedOff(at, STAND),
                    new UnitEvent.PowerGone(at),
                    new UnitEvent.AsksAgain(at),
                    new UnitEvent.Found(at, Phase.NAVIGATING, STAND, Duration.ZERO))) {
                table.append(' ').append(cell(unit, event)).append(" |");
            }
            table.append('\n');
        }
        return table.toString();
    }

    private static String cell(InertialUnit unit, UnitEvent event) {
        String refusal = unit.refusal(event);
        if (refusal != null) {
            return "*" + refusal + "*";
        }
        InertialUnit after = unit.step(event);
        List<String> words = new ArrayList<>();
        words.add(after.phase().name().toLowerCase(java.util.Locale.ROOT) + (after.quick() ? " quickly" : ""));
        if (after.restarts() > unit.restarts()) {
            words.add("its count begins anew");
        }
        if (unit.stored() != null && after.stored() == null) {
            words.add("it has forgotten where it was");
        }
        List<Missing> missing = after.missing(event.at());
        if (!missing.isEmpty()) {
            words.add("waits for "
                    + String.join(
                            ", ",
                            missing.stream()
                                    .map(one -> one.name()
                                            .toLowerCase(java.util.Locale.ROOT)
                                            .replace('_', ' '))
                                    .toList()));
        }
        return String.join("; ", words);
    }
}
