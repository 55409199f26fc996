package org.skelda.core.kind;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.skelda.core.kind.Taking.Why;
import org.skelda.core.measure.OutOfRange;
import org.skelda.core.need.Known;

/**
 * Something is said to somebody outside, or heard and read back, and its values are kept.
 *
 * @param with whom, in words ("ground crew")
 * @param says what is said, or what is to be heard
 * @param values that are heard, in order; may be empty
 * @param readBack whether the other pilot confirms what was heard
 */
public record Communication(String label, String with, String says, List<Heading> values, boolean readBack)
        implements LineKind {
    /** As people say numbers: no exponent, no words. */
    private static final Pattern NUMBER = Pattern.compile("-?\\d{1,9}([.,]\\d{1,6})?");

    private static final int LONGEST = 80;

    public Communication {
        values = List.copyOf(values);
    }

    /** A value that is heard. @param id a slug; @param label as it is called */
    public sealed interface Heading {
        String id();

        String label();

        /** A number. @param unit as shown, empty for none; @param min and @param max inclusive */
        record Number(String id, String label, String unit, double min, double max) implements Heading {}

        /** Digits as they are dialled, such as a transponder's. @param pattern that they must match in full */
        record Digits(String id, String label, Pattern pattern, String example) implements Heading {}

        /** One of a few words. */
        record Pick(String id, String label, List<String> of) implements Heading {
            public Pick {
                of = List.copyOf(of);
            }
        }

        /** A few words. */
        record Words(String id, String label) implements Heading {}
    }

    /** Tells what was heard. @param values by the headings' ids */
    public record Hear(Map<String, String> values) implements Doing {
        public Hear {
            values = Map.copyOf(values);
        }
    }

    /** It was heard. @param values by the headings' ids, in their order; @param alone by one who is alone */
    public record Heard(Map<String, String> values, boolean alone) implements Work {
        public Heard {
            values = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(values));
        }
    }

    @Override
    public String expects() {
        return says;
    }

    @Override
    public Standing standing(History history) {
        History.Done newest = history.newest();
        if (newest == null) {
            return Standing.OPEN;
        }
        boolean alone = newest.work() instanceof Heard heard && heard.alone()
                || newest.work() instanceof Work.Answered answered && answered.alone();
        return readBack && !alone && !(newest.work() instanceof Work.Confirmed) ? Standing.RESPONDED : Standing.DONE;
    }

    @Override
    public Taking take(Doing doing, History history, Hand hand) {
        return switch (doing) {
            case Doing.Answer answer when values.isEmpty() -> Tick.answered(answer, hand);
            case Hear(Map<String, String> heard) when !values.isEmpty() -> hear(heard, hand);
            case Doing.Confirm _ -> confirm(history, hand);
            default -> Taking.not(new Why.WrongAnswer(values.isEmpty() ? "a tick without a value" : "what was heard"));
        };
    }

    private Taking hear(Map<String, String> heard, Hand hand) {
        Map<String, String> kept = new LinkedHashMap<>();
        for (Heading heading : values) {
            String value = heard.getOrDefault(heading.id(), "").strip();
            if (value.isEmpty()) {
                return Taking.not(new Why.WordsMissing(heading.label()));
            }
            Why wrong = wrong(heading, value);
            if (wrong != null) {
                return Taking.not(wrong);
            }
            kept.put(heading.id(), value);
        }
        return heard.keySet().stream()
                .filter(id -> !kept.containsKey(id))
                .findFirst()
                .<Taking>map(
                        id -> Taking.not(new Why.NoneOfThese("what is heard here", id, List.copyOf(kept.keySet()))))
                .orElseGet(() -> Taking.taken(new Heard(kept, hand.alone())));
    }

    private static @Nullable Why wrong(Heading heading, String value) {
        return switch (heading) {
            case Heading.Number number -> {
                if (!NUMBER.matcher(value).matches()) {
                    yield new Why.NoneOfThese(number.label(), value, List.of("a number of " + number.unit()));
                }
                double parsed = Double.parseDouble(value.replace(',', '.'));
                if (!(parsed >= number.min() && parsed <= number.max())) {
                    throw new OutOfRange(
                            number.label(),
                            parsed,
                            number.min(),
                            number.max(),
                            number.unit(),
                            "Ask again and type what was said.");
                }
                yield null;
            }
            case Heading.Digits digits ->
                digits.pattern().matcher(value).matches()
                        ? null
                        : new Why.NoneOfThese(digits.label(), value, List.of("such as " + digits.example()));
            case Heading.Pick pick ->
                pick.of().contains(value) ? null : new Why.NoneOfThese(pick.label(), value, pick.of());
            case Heading.Words words ->
                value.length() <= LONGEST
                        ? null
                        : new Why.NoneOfThese(
                                words.label(), value.substring(0, LONGEST), List.of("at most 80 letters"));
        };
    }

    private Taking confirm(History history, Hand hand) {
        Mark answered = history.answered();
        if (!readBack || answered == null) {
            return Taking.not(new Why.NothingThere("There is no read-back to confirm."));
        }
        return hand.isOwn(answered) ? Taking.not(new Why.AnotherPersonNeeded()) : Taking.taken(new Work.Confirmed());
    }

    @Override
    public @Nullable WorkView view(History history, Known known) {
        return history.last(Heard.class)
                .map(heard -> WorkView.heard(heard.work().values()))
                .orElse(null);
    }
}
