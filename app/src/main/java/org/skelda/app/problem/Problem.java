package org.skelda.app.problem;

import java.net.URI;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ProblemDetail;

/**
 * What a problem answer (RFC 9457) says. It is kept as the answer to its command; on the wire it is the framework's
 * {@link ProblemDetail}.
 *
 * @param type {@code urn:skelda:problem:} and the slug
 * @param title what kind of problem, in a few words
 * @param status HTTP status
 * @param detail one sentence: what is wrong, with the value and the limit
 * @param kept what was kept of the request
 * @param todo what the person can do
 * @param violations what is wrong with single fields; empty when that does not apply
 * @param newest for a conflict, the number of the newer event; null otherwise
 * @param newer for a conflict, the newer events on the same subject as they are stored; empty otherwise
 * @param opensAt for a closed gate that opens by time alone, when; null otherwise
 * @param overrides for a guarded gate, the name to give in the second step; null otherwise
 * @param guards what the gate guards; null otherwise
 */
public record Problem(
        String type,
        String title,
        int status,
        String detail,
        String kept,
        String todo,
        List<Violation> violations,
        @Nullable Long newest,
        List<Map<String, Object>> newer,
        @Nullable Instant opensAt,
        @Nullable String overrides,
        @Nullable String guards) {

    private static final String URN = "urn:skelda:problem:";
    private static final String NOTHING_KEPT = "Nothing of the request was kept.";

    /** @param field the field's name; @param message what was expected of it */
    public record Violation(String field, String message) {}

    public static Problem of(String slug, int status, String title, String detail, String todo) {
        return new Problem(
                URN + slug, title, status, detail, NOTHING_KEPT, todo, List.of(), null, List.of(), null, null, null);
    }

    /** Says what was kept in other words than that nothing was. */
    public Problem kept(String words) {
        return new Problem(
                type, title, status, detail, words, todo, violations, newest, newer, opensAt, overrides, guards);
    }

    public Problem with(List<Violation> found) {
        return new Problem(
                type, title, status, detail, kept, todo, List.copyOf(found), newest, newer, opensAt, overrides, guards);
    }

    public Problem withNewest(long seq) {
        return new Problem(type, title, status, detail, kept, todo, violations, seq, newer, opensAt, overrides, guards);
    }

    public Problem withNewer(List<Map<String, Object>> events) {
        return new Problem(
                type,
                title,
                status,
                detail,
                kept,
                todo,
                violations,
                newest,
                List.copyOf(events),
                opensAt,
                overrides,
                guards);
    }

    public Problem withGate(@Nullable Instant opens, @Nullable String override, @Nullable String guarded) {
        return new Problem(
                type, title, status, detail, kept, todo, violations, newest, newer, opens, override, guarded);
    }

    /** As it is answered. */
    public ProblemDetail answer() {
        ProblemDetail answer = ProblemDetail.forStatusAndDetail(HttpStatusCode.valueOf(status), detail);
        answer.setType(URI.create(type));
        answer.setTitle(title);
        answer.setProperty("kept", kept);
        answer.setProperty("todo", todo);
        answer.setProperty("violations", violations);
        answer.setProperty("newer", newer);
        set(answer, "newest", newest);
        set(answer, "opensAt", opensAt);
        set(answer, "overrides", overrides);
        set(answer, "guards", guards);
        return answer;
    }

    private static void set(ProblemDetail answer, String name, @Nullable Object value) {
        if (value != null) {
            answer.setProperty(name, value);
        }
    }

    public String slug() {
        return type.substring(URN.length());
    }
}
