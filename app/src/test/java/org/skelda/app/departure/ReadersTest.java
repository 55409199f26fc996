package org.skelda.app.departure;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.UUID;
import org.junit.jupiter.api.Test;

class ReadersTest {
    private final Readers readers = new Readers();
    private final Reader page = new Reader("p-1", "session");
    private final Reader lost = new Reader("p-2", "session");
    private final long opened_ns = System.nanoTime();

    private long after(int seconds) {
        return opened_ns + Duration.ofSeconds(seconds).toNanos();
    }

    @Test
    void onlyDevicesThatSayTheyAreThereAreCounted() {
        readers.add(page);
        readers.add(lost);
        assertThat(readers.living(after(1))).isEqualTo(2);
        assertThat(readers.isThere(page.id(), "p-1", after(20))).isTrue();
        assertThat(readers.living(after(30))).isEqualTo(1);
        readers.endGone(after(30));
        assertThat(readers.count())
                .as("a page in the background says so once a minute")
                .isEqualTo(2);
        readers.isThere(page.id(), "p-1", after(80));
        readers.endGone(after(160));
        assertThat(readers.count())
                .as("what has said nothing for minutes is let go")
                .isEqualTo(1);
    }

    @Test
    void nobodySpeaksForAnothersPage() {
        readers.add(page);
        assertThat(readers.isThere(page.id(), "p-2", after(20))).isFalse();
        assertThat(readers.isThere(UUID.randomUUID(), "p-1", after(20))).isFalse();
        assertThat(readers.living(after(30))).isZero();
    }
}
