package org.skelda.app.problem;

import static org.skelda.app.problem.Problem.of;

/** Problems that are not a departure's own. */
public final class Problems {
    /** The slug of a departure whose stored log was changed. */
    public static final String LOG_CHANGED = "log-changed";

    private static final int BAD_REQUEST = 400;
    private static final int UNAUTHORIZED = 401;
    private static final int FORBIDDEN = 403;
    private static final int NOT_FOUND = 404;
    private static final int CONFLICT = 409;
    private static final int TOO_LARGE = 413;
    private static final int UNPROCESSABLE = 422;
    private static final int THROTTLED = 429;
    private static final int INTERNAL = 500;
    private static final int INSUFFICIENT_STORAGE = 507;

    private Problems() {}

    public static Problem internal() {
        return of(
                        "internal",
                        INTERNAL,
                        "The server failed",
                        "The server could not answer; the failure is in its log.",
                        "Try again. If it stays, tell your administrator the time.")
                .kept("It is not known what was kept; the same command again gets the answer it had, if it had one.");
    }

    /**
     * What the framework refuses before anything of ours is asked. @param status HTTP, 400 to 499; anything else is a
     * failure of the server
     */
    static Problem notAnswered(int status) {
        return status < BAD_REQUEST || status >= INTERNAL
                ? internal()
                : of(
                        status == NOT_FOUND ? "not-found" : "bad-request",
                        status,
                        "Not answered",
                        "There is no answer to this request here.",
                        "Check the address.");
    }

    public static Problem storageFull() {
        return of(
                "storage-full",
                INSUFFICIENT_STORAGE,
                "The server's disk is full",
                "The server's disk has no room to keep anything more; what was kept is safe and can be read.",
                "Go on by the aircraft's own means, and tell your administrator; the server goes on by itself when "
                        + "there is room.");
    }

    /** The disk took nothing while something was committed. */
    public static Problem notOnDisk() {
        return storageFull()
                .kept("It is not known what was kept; the same command again gets the answer it had, if it had one.");
    }

    public static Problem badRequest(String detail) {
        return of(
                "bad-request",
                BAD_REQUEST,
                "Request not understood",
                detail,
                "Correct the named fields and send it again.");
    }

    public static Problem signIn() {
        return of(
                "sign-in",
                UNAUTHORIZED,
                "Not signed in",
                "You are not signed in.",
                "Sign in; what you had open is still there.");
    }

    public static Problem wrongPassword() {
        return of(
                "sign-in",
                UNAUTHORIZED,
                "Not signed in",
                "The name and the password do not fit together.",
                "Check both and try again.");
    }

    public static Problem wrongSigningPassword() {
        return of(
                "sign-in",
                FORBIDDEN,
                "Not signed",
                "That is not your password; the record was not signed.",
                "Enter your own password again.");
    }

    public static Problem throttled(String detail, long waitSeconds) {
        return of("throttled", THROTTLED, "Too many tries", detail, "Wait " + waitSeconds + " s, then try again.");
    }

    public static Problem tooManyStreams(int most) {
        return of(
                "throttled",
                THROTTLED,
                "Too many open pages",
                "You have " + most + " departures open at once, which is as many as one person may.",
                "Close pages that you no longer need.");
    }

    public static Problem forbidden() {
        return of(
                "forbidden",
                FORBIDDEN,
                "Not allowed",
                "The request did not come from this application's own page.",
                "Reload the page and try again.");
    }

    public static Problem rejected() {
        return of(
                "bad-request",
                BAD_REQUEST,
                "Request not accepted",
                "The request names another server than this one, or its address or a header is malformed.",
                "Open this server by its own name; an administrator can give it further ones.");
    }

    public static Problem noSuchDeparture() {
        return of(
                "not-found",
                NOT_FOUND,
                "No such departure",
                "There is no such departure at your operator.",
                "Choose one under Today.");
    }

    public static Problem logChanged(long seq) {
        return of(
                        LOG_CHANGED,
                        INTERNAL,
                        "Stored log changed",
                        "Event " + seq
                                + " of this departure's stored log is not what was written: something else than "
                                + "Skelda changed it.",
                        "Do not rely on this departure. Tell your administrator, who can put the data back from a "
                                + "backup.")
                .kept("What was stored is kept as it is and is not shown.");
    }

    public static Problem noSuchReader() {
        return of(
                "not-found",
                NOT_FOUND,
                "No such stream",
                "This stream has ended.",
                "The page opens another by itself.");
    }

    public static Problem commandReused() {
        return of(
                "command-reused",
                CONFLICT,
                "Command id used before",
                "This command id was used for another request.",
                "Send it under a new id.");
    }

    public static Problem feedToken() {
        return of(
                "feed-token",
                UNAUTHORIZED,
                "Feed not known",
                "This feed does not exist, its token is wrong, or it was revoked.",
                "Ask an administrator for a new token.");
    }

    public static Problem feedInvalid(String detail) {
        return of(
                "feed-invalid",
                BAD_REQUEST,
                "Batch refused",
                detail,
                "Correct that line and send the whole batch again.");
    }

    public static Problem nobodyWorks(String tail) {
        return of(
                "conflict",
                CONFLICT,
                "Nobody there",
                "No departure of " + tail + " is being worked; nothing was kept.",
                "Send it again once its crew is at work.");
    }

    public static Problem traceInvalid(String detail) {
        return of(
                "trace-invalid",
                UNPROCESSABLE,
                "Trace refused",
                detail,
                "Correct the file at that line, or choose its type, and open it again.");
    }

    public static Problem traceQuota(long megabytes) {
        return of(
                "too-large",
                TOO_LARGE,
                "No room for more traces",
                "Your operator keeps " + megabytes + " MB of traces, which is as much as it may.",
                "Delete traces that nobody needs any more, then open this one again.");
    }

    public static Problem noSuchTrace() {
        return of(
                "not-found",
                NOT_FOUND,
                "No such trace",
                "There is no such trace at your operator.",
                "Choose one under Traces.");
    }

    public static Problem notAllowed() {
        return of(
                "forbidden",
                FORBIDDEN,
                "Not allowed",
                "This is for the operator's office: feeds for its administrators, schools for its standards office.",
                "Ask one of your operator.");
    }

    public static Problem otherDepartureWorked(String tail, String flight) {
        return of(
                "conflict",
                CONFLICT,
                "Another departure is worked",
                "The simulated " + tail + " serves flight " + flight + ", which is being worked first.",
                "Finish or give up that departure, or work this start by tapping.");
    }

    public static Problem notSeatedHere() {
        return of(
                "not-seated",
                CONFLICT,
                "No seat",
                "The simulated aircraft is attached by somebody who has a seat on this departure.",
                "Take a seat first.");
    }

    public static Problem noRehearsal() {
        return of(
                "forbidden",
                FORBIDDEN,
                "A line departure",
                "The simulated aircraft stands in on rehearsals only; this departure is worked on the aircraft itself.",
                "Open a rehearsal under Today.");
    }

    public static Problem noStartProfile(String type) {
        return of(
                "nothing-there",
                CONFLICT,
                "No start profile",
                "The pack of " + type + " has no start profile; its starts cannot be watched.",
                "Start by the aircraft's own gauges.");
    }

    public static Problem tooLarge(long limitBytes) {
        return of(
                "too-large",
                TOO_LARGE,
                "Too large",
                "The request is over " + limitBytes + " bytes.",
                "Shorten it and send it again.");
    }
}
