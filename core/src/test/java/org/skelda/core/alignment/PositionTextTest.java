package org.skelda.core.alignment;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Locale;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class PositionTextTest {

    @ParameterizedTest
    @ValueSource(
            strings = {
                "N62 24.6 W010 49.2",
                "n62 24.6 w10 49.2",
                "62 24.6 N 10 49.2 W",
                "62 24.6N, 10 49.2W",
                "N6224.6W01049.2",
                "N62\u00b024.6' W010\u00b049.2'",
                "62\u00b024'36\"N 10\u00b049'12\"W",
                "62 24 36 N 10 49 12 W",
                "N622436 W0104912",
                "62.41 -10.82",
                "62.41, -10.82",
                "62.41,-10.82",
                "62,41 -10,82",
                "62,41 N 10,82 W",
                "N62.41 W10.82",
                "W010 49.2 N62 24.6",
                " +62.41 ;  -10.82 ",
                "62.41 \u221210.82",
                "62:24:36N 010:49:12W"
            })
    void theUsualWaysOfWritingOnePlaceAreTheSamePlace(String typed) {
        Position read = PositionText.read(typed);
        assertThat(read.latitude_deg()).isCloseTo(62.41, within(1e-9));
        assertThat(read.longitude_deg()).isCloseTo(-10.82, within(1e-9));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            N91 00.0 W010 49.2      | latitude of 91 00.0 does not exist
            91.0 -10.82             | latitude of 91.0 does not exist
            N90 00.1 W010 49.2      | latitude of 90 00.1 does not exist
            N62 24.6 W180 00.1      | longitude of 180 00.1 does not exist
            N62 60.0 W010 49.2      | 60.0 minutes of latitude do not exist
            N62 24 60 W010 49 12    | 60 seconds of latitude do not exist
            N62 24.6 S10 49.2       | Both halves are a latitude, N and S
            E62 24.6 W10 49.2       | Both halves are a longitude, E and W
            N62 24.6 W10 49.2 N     | more than two letters
            62 24.6 N 10 49.2       | one letter alone
            62 24.6 10 49.2         | no letter
            N624.6 W01049.2         | could be read in two ways
            N62.5 24.6 W010 49.2    | Only the last number
            N62 24 36 9 W010 49.2   | more than three numbers
            N W010 49.2             | latitude has no numbers
            N62 24.6 10 49.2 W      | behind
            N-62 24.6 W010 49.2     | is no latitude
            N62 24.x W010 49.2      | is no latitude
            N62 .. W010 49.2        | is no number of a latitude
            abc                     | no letter
            """)
    void whatIsNoPlaceOrCouldBeTwoIsRefusedInOneSentence(String typed, String words) {
        assertThatThrownBy(() -> PositionText.read(typed))
                .isInstanceOf(NoPosition.class)
                .hasMessageContaining(words);
    }

    @Test
    void anyPlaceWrittenInAnyWayIsReadBack() {
        SplittableRandom random = new SplittableRandom(72);
        for (int i = 0; i < 3000; i++) {
            Position place = PositionTest.any(random);
            String typed = written(place, random.nextInt(6));
            assertThat(PositionText.read(typed).distance_NM(place)).as(typed).isLessThan(0.12);
        }
    }

    private static String written(Position place, int way) {
        double north = Math.abs(place.latitude_deg());
        double east = Math.abs(place.longitude_deg());
        char ns = place.latitude_deg() < 0 ? 'S' : 'N';
        char ew = place.longitude_deg() < 0 ? 'W' : 'E';
        return switch (way) {
            case 0 -> String.format(Locale.ROOT, "%.5f %.5f", place.latitude_deg(), place.longitude_deg());
            case 1 -> place.words();
            case 2 -> String.format(Locale.ROOT, "%.5f %c %.5f %c", north, ns, east, ew);
            case 3 -> place.words().replace(" ", "");
            case 4 -> seconds(north, 2) + ns + " " + seconds(east, 3) + ew;
            default ->
                ew + seconds(east, 3).replace(" ", "") + ns + seconds(north, 2).replace(" ", "");
        };
    }

    private static String seconds(double value, int digits) {
        long all = Math.round(value * 3600);
        return String.format(Locale.ROOT, "%0" + digits + "d %02d %02d", all / 3600, all / 60 % 60, all % 60);
    }

    @Test
    void whateverIsTypedIsAPlaceOrASentence() {
        SplittableRandom random = new SplittableRandom(73);
        String keys = "0123456789.,:'\" NSEW+-\u00b0nx";
        for (int i = 0; i < 20_000; i++) {
            StringBuilder typed = new StringBuilder();
            for (int j = random.nextInt(24); j > 0; j--) {
                typed.append(keys.charAt(random.nextInt(keys.length())));
            }
            try {
                PositionText.read(typed.toString());
            } catch (NoPosition e) {
                assertThat(e.getMessage()).hasSizeBetween(10, 120).endsWith(".");
                assertThat(e.todo()).endsWith(".");
            }
        }
        assertThatThrownBy(() -> PositionText.read("6".repeat(10_000)))
                .isInstanceOf(NoPosition.class)
                .hasMessageContaining("longer");
    }
}
