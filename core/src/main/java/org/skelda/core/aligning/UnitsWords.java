package org.skelda.core.aligning;

import java.time.Duration;
import java.util.List;
import java.util.Locale;
import org.skelda.core.alignment.UnitEvent;
import org.skelda.core.alignment.UnitTap;

/** How the crew calls inertial units, and what was told of them. */
final class UnitsWords {
    private UnitsWords() {}

    /** "Inertial units 1 and 2". */
    static String name(List<Integer> numbers) {
        List<String> words = numbers.stream().map(String::valueOf).toList();
        String last = words.getLast();
        return words.size() == 1
                ? "Inertial unit " + last
                : "Inertial units " + String.join(", ", words.subList(0, words.size() - 1)) + " and " + last;
    }

    static String words(UnitFact.UnitsTold told) {
        List<UnitEvent> events = told.events();
        String what = switch (events.getLast()) {
            case UnitEvent.SwitchedOn _ -> UnitTap.ON.words();
            case UnitEvent.PositionEntered typed ->
                "position " + typed.position().words();
            case UnitEvent.Moved _ -> "moved";
            case UnitEvent.CodeShown shown -> "code " + shown.code();
            case UnitEvent.CodeCleared _ -> "code dealt with";
            case UnitEvent.NavigationSelected _ -> UnitTap.NAVIGATION.words();
            case UnitEvent.SwitchedOff _ -> UnitTap.OFF.words();
            case UnitEvent.PowerGone _ -> "power gone";
            case UnitEvent.AsksAgain _ -> "asks for the position again";
            case UnitEvent.Found found -> found.phase().name().toLowerCase(Locale.ROOT);
        };
        return name(told.units()) + ": " + what;
    }

    static String minutes(Duration time) {
        long minutes = Math.max(1, Math.round(time.toSeconds() / 60.0));
        return minutes + " min";
    }

    static String capital(String words) {
        return words.isEmpty() ? words : words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1);
    }

    static String lower(String words) {
        return words.isEmpty() ? words : words.substring(0, 1).toLowerCase(Locale.ROOT) + words.substring(1);
    }
}
