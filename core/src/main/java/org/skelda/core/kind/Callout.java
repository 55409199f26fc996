package org.skelda.core.kind;

import org.skelda.core.crew.Role;
import org.skelda.core.kind.Taking.Why;

/**
 * Words that one says and the other hears. The hearer answers it; one who is alone says them aloud.
 *
 * @param words as they are said
 * @param speaker who says them
 */
public record Callout(String label, String words, Role speaker) implements Tick {
    @Override
    public String expects() {
        return words;
    }

    @Override
    public Taking take(Doing doing, History history, Hand hand) {
        if (!hand.alone() && hand.role() == speaker) {
            return Taking.not(new Why.OthersPart("the pilot " + speaker.other().word() + ", who hears it"));
        }
        return Tick.super.take(doing, history, hand);
    }
}
