package org.skelda.app.departure;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelda.core.departure.Ask;

/** One request to a departure. {@code ask} says what is asked, and with it which further fields there are. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "ask")
@JsonSubTypes({
    @JsonSubTypes.Type(SeatRequest.class),
    @JsonSubTypes.Type(KindRequest.class),
    @JsonSubTypes.Type(LineRequest.class),
    @JsonSubTypes.Type(AttemptRequest.class),
    @JsonSubTypes.Type(ApuRequest.class),
    @JsonSubTypes.Type(InertialRequest.class),
    @JsonSubTypes.Type(FactRequest.class),
    @JsonSubTypes.Type(SimulatorRequest.class),
    @JsonSubTypes.Type(RecordRequest.class)
})
sealed interface CommandRequest
        permits SeatRequest,
                KindRequest,
                LineRequest,
                AttemptRequest,
                ApuRequest,
                InertialRequest,
                FactRequest,
                SimulatorRequest,
                RecordRequest {

    /** Made by the client; the same id again gives the same answer. */
    UUID commandId();

    /** Number of the newest event the person had before them. */
    Long seen();

    /** When it was really done, for a late entry. */
    @Nullable
    Instant doneAt();

    /** What is asked, in the core's words. */
    Ask ask(Asking asking);
}
