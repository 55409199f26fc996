package org.skelda.app.people;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class PlainNameTest {
    @ParameterizedTest
    @ValueSource(
            strings = {
                "cold\r\nSet-Cookie: a=b",
                "co\u0000ld",
                "\u001b[31mcold",
                "cold\u202efeed",
                "\u200bcold",
                "co\u2028ld",
                " cold\t"
            })
    void nothingIsLeftThatIsNotShown(String given) {
        assertThat(PlainName.of(given)).matches("[ -~]*").contains("co").isEqualTo(PlainName.of(PlainName.of(given)));
    }

    @Test
    void lettersOfAnyLanguageStay() {
        assertThat(PlainName.of("Søren Þórsson, 東京")).isEqualTo("Søren Þórsson, 東京");
        assertThat(new Account("1", "o", "name", "Runa\nHalden", "Captain\u0007", "hash", false)
                        .person()
                        .name())
                .isEqualTo("RunaHalden");
    }
}
