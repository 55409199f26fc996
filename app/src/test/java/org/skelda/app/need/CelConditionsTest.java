package org.skelda.app.need;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.TreeSet;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.skelda.core.need.InvalidCondition;
import org.skelda.core.need.Kind;
import org.skelda.core.need.Need;
import org.skelda.core.need.Reach;
import org.skelda.core.need.Value;
import org.skelda.core.need.When;

class CelConditionsTest {
    private static final Map<String, Kind> DECLARED = Map.of(
            "oat_c",
            Kind.NUMBER,
            "gusts_kt",
            Kind.NUMBER,
            "icing",
            Kind.YES_NO,
            "night",
            Kind.YES_NO,
            "reading('power/volts')",
            Kind.NUMBER,
            "modification('dual-loop')",
            Kind.YES_NO);
    private static final Map<String, Reach.Bounds> BOUNDS = Map.of(
            "oat_c",
            Reach.Bounds.number(-60, 55),
            "gusts_kt",
            Reach.Bounds.number(0, 120),
            "icing",
            Reach.Bounds.YES_NO,
            "night",
            Reach.Bounds.YES_NO,
            "reading('power/volts')",
            Reach.Bounds.number(0, 40),
            "modification('dual-loop')",
            Reach.Bounds.YES_NO);
    private static final CelConditions LANGUAGE = new CelConditions();

    private static When when(String text) {
        return LANGUAGE.compile(text, DECLARED);
    }

    private static Need need(String text, Map<String, Value> known) {
        return when(text).need(name -> Optional.ofNullable(known.get(name)));
    }

    private static final Map<String, Value> COLD = Map.of(
            "oat_c",
            new Value.Number(3),
            "reading('power/volts')",
            new Value.Number(24.1),
            "modification('dual-loop')",
            new Value.YesNo(true));

    @ParameterizedTest
    @CsvSource(
            quoteCharacter = '"',
            delimiter = ';',
            value = {
                "oat_c < 5; true",
                "oat_c == 3; true",
                "oat_c != 3; false",
                "3 == oat_c; true",
                "oat_c >= -40.5 && oat_c <= 5; true",
                "oat_c in [1, 2, 3]; true",
                "oat_c * 2 - 1 == 5; true",
                "reading('power/volts') < 24; false",
                "modification('dual-loop') ? oat_c > 0 : oat_c > 10; true",
                "!(oat_c > 0); false",
            })
    void whatIsKnownDecides(String text, boolean needed) {
        assertThat(need(text, COLD)).isEqualTo(needed ? Need.NEEDED : Need.NOT_NEEDED);
    }

    @Test
    void whatIsNotKnownIsNeverANo() {
        assertThat(need("icing", COLD)).isEqualTo(new Need.NotDecided(new TreeSet<>(List.of("icing"))));
        assertThat(need("!icing", COLD)).isEqualTo(new Need.NotDecided(new TreeSet<>(List.of("icing"))));
        assertThat(need("gusts_kt < 30 && icing", COLD))
                .isEqualTo(new Need.NotDecided(new TreeSet<>(List.of("gusts_kt", "icing"))));
        assertThat(need("oat_c > 5 && icing", COLD)).as("one no is enough").isEqualTo(Need.NOT_NEEDED);
        assertThat(need("icing && oat_c > 5", COLD)).as("in any order").isEqualTo(Need.NOT_NEEDED);
        assertThat(need("icing || oat_c < 5", COLD)).isEqualTo(Need.NEEDED);
    }

    static LongStream seeds() {
        return LongStream.range(0, 200);
    }

    /** What is not decided stays open: with what was missing it becomes a yes or a no, and a yes or no stays. */
    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void knowingMoreNeverTurnsAnAnswer(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        When when = when(condition(random, 3));
        Map<String, Value> all = new HashMap<>();
        BOUNDS.forEach((name, bounds) -> all.put(
                name,
                bounds.kind() == Kind.YES_NO
                        ? new Value.YesNo(random.nextBoolean())
                        : new Value.Number(random.nextInt(-10, 40))));
        Need whole = when.need(name -> Optional.ofNullable(all.get(name)));
        assertThat(whole).isNotInstanceOf(Need.NotDecided.class);
        Map<String, Value> some = new HashMap<>(all);
        some.keySet().removeIf(_ -> random.nextBoolean());
        Need part = when.need(name -> Optional.ofNullable(some.get(name)));
        if (part instanceof Need.NotDecided(var waitsFor)) {
            assertThat(waitsFor).isNotEmpty().isSubsetOf(when.names()).noneMatch(some::containsKey);
        } else {
            assertThat(part).isEqualTo(whole);
        }
    }

    private static String condition(SplittableRandom random, int depth) {
        if (depth > 0 && random.nextInt(3) > 0) {
            String left = condition(random, depth - 1);
            String right = condition(random, depth - 1);
            return switch (random.nextInt(3)) {
                case 0 -> "(" + left + " && " + right + ")";
                case 1 -> "(" + left + " || " + right + ")";
                default -> "!(" + left + ")";
            };
        }
        return switch (random.nextInt(4)) {
            case 0 -> "icing";
            case 1 -> "night";
            case 2 -> "oat_c < " + random.nextInt(-10, 40);
            default -> "reading('power/volts') >= " + random.nextInt(20, 30) + ".5";
        };
    }

    @Test
    void aConditionThatCannotBeUnderstoodSaysWhy() {
        assertThatThrownBy(() -> when("moon == 1").names())
                .isInstanceOf(InvalidCondition.class)
                .hasMessageContaining("'moon' is nothing that a condition may name")
                .hasMessageContaining("oat_c");
        assertThatThrownBy(() -> when("reading('power/amps') > 3").names())
                .hasMessageContaining("reading('power/amps')");
        assertThatThrownBy(() -> when("oat_c").names()).hasMessageContaining("a number, not yes or no");
        assertThatThrownBy(() -> when("oat_c < 'cold'").names()).hasMessageContaining("'<' does not go with");
        assertThatThrownBy(() -> when("icing == 3").names()).hasMessageContaining("'==' does not go with");
        assertThatThrownBy(() -> when("size('cold') == 4").names())
                .hasMessageContaining("'size' is nothing that a condition may name");
        assertThatThrownBy(() -> when("oat_c < 5 && (").names()).hasMessageContaining("not readable at character 15");
    }

    @ParameterizedTest
    @ValueSource(strings = {"huge", "deep", "loop", "name made up", "empty"})
    void whatIsTooMuchIsRefused(String kind) {
        String text = switch (kind) {
            case "huge" -> "oat_c < 5 || ".repeat(2000) + "icing";
            case "deep" -> "(".repeat(150) + "icing" + ")".repeat(150);
            case "loop" -> "[1, 2].all(x, [1, 2].all(y, oat_c < x + y))";
            case "name made up" -> "reading('power/' + 'volts') > 3";
            default -> "";
        };
        assertThatThrownBy(() -> when(text).names()).isInstanceOf(InvalidCondition.class);
    }

    @ParameterizedTest
    @CsvSource({
        "oat_c < 5 && oat_c > 10, false",
        "oat_c < 5 && oat_c > 4, true",
        "oat_c < -80, false",
        "icing && !icing, false",
        "gusts_kt > 120, false",
        "gusts_kt >= 120, true",
        "oat_c == 5.5 && night, true",
        "oat_c > 3 && !(oat_c > 2), false",
        "false, false"
    })
    void whetherItCanEverHold(String text, boolean canHold) {
        assertThat(Reach.canHold(when(text), BOUNDS)).isEqualTo(canHold);
    }
}
