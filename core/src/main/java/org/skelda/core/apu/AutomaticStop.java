package org.skelda.core.apu;

/** Why it stopped itself, by the system that told it to. */
public enum AutomaticStop {
    FIRE("Fire", Next.FIRE_LIST, true),
    BLEED_DUCT_HOT("Overheat in its bleed duct", Next.MAINTENANCE, false),
    OVERSPEED("Overspeed", Next.MAINTENANCE, true),
    UNDERSPEED("Underspeed", Next.TRY_AGAIN, false),
    EXHAUST_HOT("Exhaust temperature over its limit", Next.MAINTENANCE, false),
    GEARBOX_OIL_LOW("Gearbox oil pressure low", Next.MAINTENANCE, false),
    GEARBOX_OIL_HOT("Gearbox oil temperature high", Next.COOL, false),
    CONTROLLER_LOST("Its controller or a sensor lost", Next.MAINTENANCE, false);

    private final String words;
    private final Next next;
    private final boolean inFlight;

    AutomaticStop(String words, Next next, boolean inFlight) {
        this.words = words;
        this.next = next;
        this.inFlight = inFlight;
    }

    /** What comes next. */
    public enum Next {
        FIRE_LIST,
        TRY_AGAIN,
        COOL,
        MAINTENANCE
    }

    /** What happened, as the crew reads it. */
    public String words() {
        return words;
    }

    public Next next() {
        return next;
    }

    /** Whether it stops for it in flight too; what it does not stop for there is shown. */
    public boolean inFlight() {
        return inFlight;
    }
}
