package org.skelda.core.kind;

import org.jspecify.annotations.Nullable;
import org.skelda.core.kind.Taking.Why;

/** A line that one key completes. */
public sealed interface Tick extends LineKind permits Action, Check, Read, Memory, Gate, Callout, Note, Caution, Start {

    @Override
    default Standing standing(History history) {
        return history.isEmpty() ? Standing.OPEN : Standing.DONE;
    }

    @Override
    default Taking take(Doing doing, History history, Hand hand) {
        return doing instanceof Doing.Answer answer
                ? answered(answer, hand)
                : Taking.not(new Why.WrongAnswer("a tick without a value"));
    }

    /** What a tick becomes: an irreversible control must have been agreed on, or named by one who is alone. */
    static Taking answered(Doing.Answer answer, Hand hand) {
        String control = hand.control();
        if (control == null) {
            return Taking.taken(hand.alone() ? new Work.Answered(true, null) : Work.Answered.PLAIN);
        }
        boolean agreed = hand.alone() ? control.equals(answer.named()) : answer.agreed();
        if (!agreed) {
            return Taking.not(new Why.AgreementNeeded(control, hand.alone()));
        }
        return Taking.taken(new Work.Answered(
                hand.alone(),
                hand.alone() ? new Work.Agreement(null, control) : new Work.Agreement(hand.other(), null)));
    }

    @Override
    default @Nullable WorkView view(History history, org.skelda.core.need.Known known) {
        return history.last(Work.Answered.class)
                .map(History.Of::work)
                .map(Work.Answered::agreed)
                .map(WorkView::agreed)
                .orElse(null);
    }
}
