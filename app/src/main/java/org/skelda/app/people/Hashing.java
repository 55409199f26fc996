package org.skelda.app.people;

import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.FutureTask;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.function.LongConsumer;
import java.util.function.Supplier;
import org.skelda.app.problem.ProblemException;
import org.skelda.app.problem.Problems;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;

/**
 * Hashes passwords on threads of its own, one for strangers and one for those who are signed in, or were on the same
 * device. A hash takes a core for a fifth of a second by design; on the threads of requests a few of them at once would
 * hold up everything else. Strangers get no more than half a core: their thread rests after each hash for as long as it
 * took, however many wait.
 */
@Component
class Hashing {
    private static final int MAY_WAIT = 16;
    private static final Duration UNTIL_IT_IS_QUIETER = Duration.ofSeconds(3);

    private final PasswordEncoder encoder;
    private final ExecutorService ofStrangers = oneThread("hashing-strangers");
    private final ExecutorService ofSignedIn = oneThread("hashing-signed-in");

    Hashing(PasswordEncoder encoder) {
        this.encoder = encoder;
    }

    private static ExecutorService oneThread(String name) {
        return new ThreadPoolExecutor(
                1,
                1,
                0,
                TimeUnit.SECONDS,
                new ArrayBlockingQueue<>(MAY_WAIT),
                Thread.ofPlatform().daemon().name(name).factory());
    }

    /**
     * Whether a password fits a hash; behind everyone else who signs in. @throws ProblemException throttled when too
     * many wait
     */
    boolean fits(String password, String hash) {
        return on(ofStrangers, () -> encoder.matches(password, hash), Hashing::rest);
    }

    /**
     * Whether a password fits a hash, for one who is signed in or was on that device; strangers are not waited
     * for. @throws ProblemException throttled when too many wait
     */
    boolean fitsAhead(String password, String hash) {
        return on(ofSignedIn, () -> encoder.matches(password, hash), _ -> {});
    }

    private static void rest(long worked_ns) {
        try {
            TimeUnit.NANOSECONDS.sleep(worked_ns);
        } catch (InterruptedException _) {
            Thread.currentThread().interrupt();
        }
    }

    /** @param afterwards what the thread does when the answer is given, with the time it took */
    private static <T> T on(ExecutorService thread, Supplier<T> work, LongConsumer afterwards) {
        FutureTask<T> task = new FutureTask<>(work::get);
        try {
            thread.execute(() -> {
                long begun_ns = System.nanoTime();
                task.run();
                afterwards.accept(System.nanoTime() - begun_ns);
            });
            return task.get();
        } catch (RejectedExecutionException _) {
            throw new ProblemException(
                    Problems.throttled("Too many passwords are being checked.", UNTIL_IT_IS_QUIETER.toSeconds()));
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("the server is stopping", e);
        } catch (ExecutionException e) {
            throw new IllegalStateException("a password could not be checked", e.getCause());
        }
    }

    @PreDestroy
    void stop() {
        ofStrangers.shutdownNow();
        ofSignedIn.shutdownNow();
    }
}
