package org.skelda.app.feed;

import jakarta.annotation.security.RolesAllowed;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelda.app.clock.ServerClock;
import org.skelda.app.fleet.Fleet;
import org.skelda.app.people.Account;
import org.skelda.app.people.PlainName;
import org.skelda.app.people.SignedIn;
import org.skelda.app.problem.Problem;
import org.skelda.app.problem.ProblemException;
import org.skelda.app.problem.Problems;
import org.skelda.app.start.LiveStarts;
import org.skelda.formats.feed.InvalidFeed;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestAttribute;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/**
 * Takes readings in; issues and revokes the tokens for it, for administrators alone. The chain of filters says so too,
 * before a body is read.
 */
@RestController
@RequestMapping("/api/feeds")
class FeedController {
    private final Feeds feeds;
    private final LiveStarts starts;
    private final Fleet fleet;
    private final FeedNews news;
    private final ServerClock clock;
    private final FeedDoor door;

    FeedController(Feeds feeds, LiveStarts starts, Fleet fleet, FeedNews news, FeedDoor door, ServerClock clock) {
        this.feeds = feeds;
        this.starts = starts;
        this.fleet = fleet;
        this.news = news;
        this.door = door;
        this.clock = clock;
    }

    /** A batch of readings as newline-delimited JSON. Nothing of a batch with a malformed line is kept. */
    @PostMapping(path = "/{feedId}/samples", consumes = "application/x-ndjson")
    LiveStarts.Counts samples(
            @PathVariable UUID feedId, @RequestAttribute(FeedDoor.FEED) Feeds.Feed feed, @RequestBody byte[] body) {
        try {
            Instant now = clock.instant();
            LiveStarts.Counts counts = starts.take(
                    new LiveStarts.Source(feed.id(), feed.operatorId(), feed.tail(), feed.label(), feed.simulated()),
                    body,
                    now);
            news.note(feedId, counts, now);
            return counts;
        } catch (InvalidFeed e) {
            throw new ProblemException(Problems.feedInvalid(String.valueOf(e.getMessage())));
        }
    }

    /** @param tail whose readings come; @param label as people call the feed */
    record FeedRequest(
            @NotBlank @Size(max = 20) String tail,
            @NotBlank @Size(max = 120) String label) {}

    /** @param token shown this once */
    record IssuedFeed(UUID id, String tail, String label, String token) {}

    /**
     * @param heardAt when a batch of it last came, null for not since the server began; @param news what was last wrong
     *     with it, null for nothing
     */
    record ListedFeed(
            UUID id,
            String tail,
            String label,
            Instant issuedAt,
            @Nullable Instant revokedAt,
            @Nullable Instant heardAt,
            @Nullable String news) {}

    /** @param tails of the operator, for issuing another; @param feeds the newest first */
    record Overview(List<String> tails, List<ListedFeed> feeds) {}

    @RolesAllowed(Account.ADMINISTRATOR)
    @GetMapping
    Overview all(@AuthenticationPrincipal SignedIn person) {
        return new Overview(
                fleet.tails(person.operatorId()),
                feeds.listed(person.operatorId()).stream().map(this::row).toList());
    }

    private ListedFeed row(Feeds.Listed feed) {
        Optional<FeedNews.News> known = news.of(feed.id());
        return new ListedFeed(
                feed.id(),
                feed.tail(),
                feed.label(),
                feed.issuedAt(),
                feed.revokedAt(),
                known.map(FeedNews.News::heardAt).orElse(null),
                known.map(FeedNews.News::words).orElse(null));
    }

    @RolesAllowed(Account.ADMINISTRATOR)
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    IssuedFeed issue(@Valid @RequestBody FeedRequest request, @AuthenticationPrincipal SignedIn person) {
        if (fleet.find(person.operatorId(), request.tail()).isEmpty()) {
            throw new ProblemException(Problems.badRequest("The request does not fit.")
                    .with(List.of(new Problem.Violation("tail", "is no tail of your operator"))));
        }
        Feeds.Issued issued = feeds.issue(
                person.operatorId(),
                request.tail(),
                PlainName.of(request.label()),
                false,
                person.id(),
                clock.instant());
        return new IssuedFeed(
                issued.feed().id(), issued.feed().tail(), issued.feed().label(), issued.token());
    }

    @RolesAllowed(Account.ADMINISTRATOR)
    @DeleteMapping("/{feedId}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void revoke(@PathVariable UUID feedId, @AuthenticationPrincipal SignedIn person) {
        if (!feeds.revoke(feedId, person.operatorId(), person.id(), clock.instant())) {
            throw new ProblemException(Problem.of(
                    "not-found",
                    HttpStatus.NOT_FOUND.value(),
                    "No such feed",
                    "There is no such feed at your operator, or it was revoked before.",
                    "Check its id."));
        }
        door.forget();
    }
}
