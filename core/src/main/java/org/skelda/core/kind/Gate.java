package org.skelda.core.kind;

/**
 * May it go on? What is behind it in its procedure waits for it. It is answered once its conditions hold.
 *
 * @param said what is said or heard at this moment
 * @param splits whether it is the line that splits a checklist in two parts
 */
public record Gate(String label, String said, boolean splits) implements Tick {
    @Override
    public String expects() {
        return said;
    }
}
