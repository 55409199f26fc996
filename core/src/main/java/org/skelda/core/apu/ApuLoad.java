package org.skelda.core.apu;

/** What an APU may be asked for; each up to an altitude of its own. */
public enum ApuLoad {
    START("Start"),
    ELECTRICAL("Electrical load"),
    BLEED_ENGINE_START("Air for engine starts"),
    BLEED_CABIN("Air for the cabin"),
    BOTH("Electrical load and air together");

    private final String words;

    ApuLoad(String words) {
        this.words = words;
    }

    /** As the crew reads it. */
    public String words() {
        return words;
    }
}
