package org.skelda.app.departure;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeName;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.PositiveOrZero;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelda.core.apu.ApuTap;
import org.skelda.core.apu.AutomaticStop;
import org.skelda.core.apurun.ApuAsk;
import org.skelda.core.departure.Ask;

/** What the crew can tell of an APU that nothing reads. */
@JsonSubTypes({
    @JsonSubTypes.Type(ApuRequest.TellApu.class),
    @JsonSubTypes.Type(ApuRequest.UntellApu.class),
    @JsonSubTypes.Type(ApuRequest.TypeApuPeak.class)
})
sealed interface ApuRequest extends CommandRequest {

    /** @param why it stopped itself, for that alone; @param tappedAt when, by the person's device */
    @JsonTypeName("TELL_APU")
    record TellApu(
            @NotNull UUID commandId,
            @NotNull @PositiveOrZero Long seen,
            @Nullable Instant doneAt,
            @NotNull ApuTap tap,
            @Nullable AutomaticStop why,
            @NotNull Instant tappedAt)
            implements ApuRequest {
        @Override
        public Ask ask(Asking asking) {
            return Ask.of(new ApuAsk.TellApu(tap, why, Asking.inMillis(tappedAt)));
        }
    }

    /** Takes the newest of what the crew told back. @param reason needed when it is another person's */
    @JsonTypeName("UNTELL_APU")
    record UntellApu(
            @NotNull UUID commandId,
            @NotNull @PositiveOrZero Long seen,
            @Nullable Instant doneAt,
            @Size(max = 500) @Nullable String reason)
            implements ApuRequest {
        @Override
        public Ask ask(Asking asking) {
            return Ask.of(new ApuAsk.UntellApu(reason));
        }
    }

    /** @param starting whether it was the highest of its start; else of its run; @param peak_c degC */
    @JsonTypeName("TYPE_APU_PEAK")
    record TypeApuPeak(
            @NotNull UUID commandId,
            @NotNull @PositiveOrZero Long seen,
            @Nullable Instant doneAt,
            @NotNull Boolean starting,
            @NotNull Double peak_c)
            implements ApuRequest {
        @Override
        public Ask ask(Asking asking) {
            return Ask.of(new ApuAsk.TypeApuPeak(starting, peak_c));
        }
    }
}
