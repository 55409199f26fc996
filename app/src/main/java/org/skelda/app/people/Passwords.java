package org.skelda.app.people;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;
import io.github.bucket4j.Bucket;
import io.github.bucket4j.ConsumptionProbe;
import java.net.InetAddress;
import java.net.UnknownHostException;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Predicate;
import org.skelda.app.problem.ProblemException;
import org.skelda.app.problem.Problems;
import org.springframework.stereotype.Service;

/**
 * Checks passwords. Wrong ones use up tries: of a name from one address, and of that address for all names together, so
 * that a stranger's tries block nobody who signs in from elsewhere. Signing has tries of its own, counted by session. A
 * demo account answers on this machine only.
 */
@Service
public class Passwords {
    /**
     * Of a password that nobody knows: it is checked against where there is no account. Made beforehand, for a hash
     * takes its time.
     */
    private static final String NOBODYS_HASH = "$2a$11$MTwkTMskmVn/bw6/M.DcaOwxuZKiQSzmpQyKyp8mBkpt0KhjopwlS";

    private static final int TRIES = 5;
    private static final int TRIES_OF_AN_ADDRESS = 30;
    private static final Duration TRIES_COME_BACK = Duration.ofMinutes(1);
    private static final int REMEMBERED = 10_000;

    private final Accounts accounts;
    private final AccountStanding standing;
    private final Hashing hashing;
    private final LoadingCache<NameFromAddress, Bucket> ofNames = buckets(TRIES);
    private final LoadingCache<String, Bucket> ofAddresses = buckets(TRIES_OF_AN_ADDRESS);
    private final LoadingCache<String, Bucket> ofSessions = buckets(TRIES);

    /** @param name as typed, in small letters; it need not exist */
    private record NameFromAddress(String name, String address) {}

    Passwords(Accounts accounts, AccountStanding standing, Hashing hashing) {
        this.accounts = accounts;
        this.standing = standing;
        this.hashing = hashing;
    }

    private static <K> LoadingCache<K, Bucket> buckets(int tries) {
        return Caffeine.newBuilder()
                .maximumSize(REMEMBERED)
                .expireAfterAccess(TRIES_COME_BACK.multipliedBy(2))
                .build(_ -> Bucket.builder()
                        .addLimit(limit -> limit.capacity(tries).refillGreedy(tries, TRIES_COME_BACK))
                        .build());
    }

    /**
     * @param accountName as typed
     * @param password as typed
     * @param remoteAddress where the request came from
     * @param known whether it comes from a device on which that account has signed in before
     * @return the account
     * @throws ProblemException sign-in when they do not fit, throttled after too many wrong tries or while too many
     *     wait
     */
    Account check(String accountName, String password, String remoteAddress, Predicate<Account> known) {
        String name = accountName.strip().toLowerCase(Locale.ROOT);
        spend("for this name", ofAddresses.get(remoteAddress), ofNames.get(new NameFromAddress(name, remoteAddress)));
        Optional<Account> account = accounts.findByAccountName(name);
        // The same work is done for an unknown name, so that the time it takes tells nothing.
        String hash = account.map(Account::passwordHash).orElse(NOBODYS_HASH);
        boolean fits =
                account.filter(known).isPresent() ? hashing.fitsAhead(password, hash) : hashing.fits(password, hash);
        Account found = account.filter(one -> fits && standing.answers(one, remoteAddress))
                .orElseThrow(() -> new ProblemException(Problems.wrongPassword()));
        giveBack(ofAddresses.get(remoteAddress), ofNames.get(new NameFromAddress(name, remoteAddress)));
        return found;
    }

    /**
     * Whether this is the password of the person who is signed in. @param sessionId whose tries are used up by wrong
     * ones
     */
    public void checkAgain(SignedIn person, String sessionId, String password) {
        Account account = accounts.findById(person.id()).orElseThrow(() -> new ProblemException(Problems.signIn()));
        Bucket tries = ofSessions.get(sessionId);
        spend("for this signature", tries);
        if (!hashing.fitsAhead(password, account.passwordHash())) {
            throw new ProblemException(Problems.wrongSigningPassword());
        }
        giveBack(tries);
    }

    private static void spend(String forWhat, Bucket... buckets) {
        for (int i = 0; i < buckets.length; i++) {
            ConsumptionProbe probe = buckets[i].tryConsumeAndReturnRemaining(1);
            if (!probe.isConsumed()) {
                giveBack(List.of(buckets).subList(0, i).toArray(Bucket[]::new));
                throw new ProblemException(Problems.throttled(
                        "Too many wrong passwords " + forWhat + ".",
                        Duration.ofNanos(probe.getNanosToWaitForRefill()).toSeconds() + 1));
            }
        }
    }

    private static void giveBack(Bucket... buckets) {
        Arrays.stream(buckets).forEach(bucket -> bucket.addTokens(1));
    }

    static boolean isThisMachine(String address) {
        try {
            return InetAddress.getByName(address).isLoopbackAddress();
        } catch (UnknownHostException _) {
            return false;
        }
    }
}
