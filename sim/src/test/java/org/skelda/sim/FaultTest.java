package org.skelda.sim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class FaultTest {
    @Test
    void faultsAreReadAsCommandsWriteThem() {
        assertThat(Fault.parse("nothing")).isEmpty();
        assertThat(Fault.parse("hot")).containsExactly(new Fault(Failure.HOT, 1, 0));
        assertThat(Fault.parse("hot:0.6:3,computer-stops-nothing"))
                .containsExactly(new Fault(Failure.HOT, 0.6, 3), Fault.of(Failure.COMPUTER_STOPS_NOTHING));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"", "rain", "hot:", "hot:0", "hot:1.1", "hot:1:-2", "hot:1:601", "hot:1.2.3", "hot,,hung", "HOT"
            })
    void whatIsNoFaultIsRefused(String written) {
        assertThatThrownBy(() -> Fault.parse(written)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void aFaultIsThereFromItsMomentOn() {
        Faults faults = new Faults();
        faults.take(List.of(new Fault(Failure.HUNG, 0.5, 2)));
        faults.starterOn();
        assertThat(faults.of(Failure.HUNG)).isZero();
        faults.pass(2);
        assertThat(faults.of(Failure.HUNG)).isEqualTo(0.5);
        faults.take(List.of());
        assertThat(faults.has(Failure.HUNG)).isFalse();
    }
}
