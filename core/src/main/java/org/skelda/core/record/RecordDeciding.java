package org.skelda.core.record;

import java.util.List;
import java.util.Set;
import org.skelda.core.kind.LineRef;
import org.skelda.core.log.Decision;
import org.skelda.core.log.Grounds;
import org.skelda.core.log.Lifecycle;
import org.skelda.core.log.Refusal;

/**
 * Decides the end of a departure. A record is signed when nothing is open and the aircraft has left, and amended by
 * those it concerns.
 */
public final class RecordDeciding {
    private RecordDeciding() {}

    /**
     * @param lifecycle where the departure stands; @param open its open lines; @param crew ids of all who ever held a
     *     seat
     */
    public static Decision<RecordEvent> decide(
            RecordAsk ask, Grounds grounds, Lifecycle lifecycle, List<LineRef> open, Set<String> crew) {
        return switch (ask) {
            case RecordAsk.Sign() ->
                grounds.seated(() -> open.isEmpty() && lifecycle == Lifecycle.OFF_BLOCK
                        ? grounds.accept(new RecordEvent.Signed())
                        : Decision.refused(new Refusal.NotReadyToSign(open)));
            case RecordAsk.Amend(String text, boolean office) ->
                !office && !crew.contains(grounds.actor().id())
                        ? Decision.refused(new Refusal.NotOfThisCrew())
                        : text.isBlank()
                                ? Decision.refused(new Refusal.ReasonMissing("an amendment"))
                                : Decision.accepted(new RecordEvent.Amended(text.strip()));
            case RecordAsk.Abandon(String reason) ->
                grounds.seated(() -> reason.isBlank()
                        ? Decision.refused(new Refusal.ReasonMissing("giving the departure up"))
                        : grounds.accept(new RecordEvent.Abandoned(reason.strip())));
        };
    }
}
