package org.skelda.app.people;

/** The one password of the made-up accounts; it opens nothing outside a demo on this machine. */
public final class DemoPassword {
    public static final String TEXT = "skerry-light";

    private DemoPassword() {}
}
