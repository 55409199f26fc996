package org.skelda.app.feed;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.skelda.app.clock.ServerClock;
import org.skelda.app.fact.DayNews;
import org.skelda.app.problem.Problem;
import org.skelda.app.problem.ProblemException;
import org.skelda.app.problem.Problems;
import org.skelda.core.fact.DayFact;
import org.skelda.core.fact.FactEvent;
import org.skelda.core.need.Value;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestAttribute;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Where the schedule, the weather line and the load sheet tell the crew of a tail what changed of the day. */
@RestController
class NewsController {
    private final DayNews news;
    private final ServerClock clock;

    NewsController(DayNews news, ServerClock clock) {
        this.news = news;
        this.clock = clock;
    }

    /**
     * @param source who tells it; the crew tells by its commands
     * @param facts numbers in the unit of their name ({@code "passengers": 101}), and yes or no ({@code "icing": true})
     */
    record NewsRequest(
            @NotNull Teller source,
            @NotEmpty @Size(max = 20) Map<String, Object> facts) {}

    /** Who tells news. */
    enum Teller {
        SCHEDULE,
        WEATHER,
        LOAD
    }

    /** Facts of the day of the departure of the feed's tail that is being worked: all of them, or none. */
    @PostMapping("/api/feeds/{feedId}/news")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void news(
            @PathVariable UUID feedId,
            @RequestAttribute(FeedDoor.FEED) Feeds.Feed feed,
            @Valid @RequestBody NewsRequest request) {
        Map<DayFact, Value> facts = new EnumMap<>(DayFact.class);
        request.facts()
                .forEach((name, value) -> facts.put(
                        DayFact.named(name).orElseThrow(() -> refused(name, "is no fact of a day")),
                        value(name, value)));
        try {
            boolean told = news.tellOfTail(
                    feed.operatorId(),
                    feed.tail(),
                    FactEvent.Source.valueOf(request.source().name()),
                    facts,
                    clock.instant());
            if (!told) {
                throw new ProblemException(Problems.nobodyWorks(feed.tail()));
            }
        } catch (IllegalArgumentException e) {
            throw refused("facts", String.valueOf(e.getMessage()));
        }
    }

    private static Value value(String name, Object value) {
        return switch (value) {
            case Boolean yes -> new Value.YesNo(yes);
            case Number number -> new Value.Number(number.doubleValue());
            case null, default -> throw refused(name, "is a number, or true or false");
        };
    }

    private static ProblemException refused(String field, String why) {
        return new ProblemException(Problems.badRequest("The news does not fit; none of it was kept.")
                .with(List.of(new Problem.Violation(field, why))));
    }
}
