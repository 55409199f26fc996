package org.skelda.app.people;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;
import io.github.bucket4j.Bucket;
import io.github.bucket4j.ConsumptionProbe;
import java.net.InetAddress;
import java.net.UnknownHostException;
import java.time.Duration;
import java.util.Locale;
import java.util.Optional;
import org.skelda.app.problem.ProblemException;
import org.skelda.app.problem.Problems;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;

/** Checks passwords. Wrong ones use up tries; a demo account answers on this machine only. */
@Service
public class Passwords {
    /** Of a password that nobody knows: it is checked against where there is no account. Made beforehand, for a hash takes its time. */
    private static final String NOBODYS_HASH = "$2a$11$MTwkTMskmVn/bw6/M.DcaOwxuZKiQSzmpQyKyp8mBkpt0KhjopwlS";
    private static final int TRIES = 5;
    private static final Duration TRIES_COME_BACK = Duration.ofMinutes(1);
    private static final int NAMES_REMEMBERED = 10_000;

    private final Accounts accounts;
    private final PasswordEncoder encoder;
    private final LoadingCache<String, Bucket> tries = Caffeine.newBuilder()
            .maximumSize(NAMES_REMEMBERED)
            .expireAfterAccess(TRIES_COME_BACK.multipliedBy(2))
            .build(_ -> Bucket.builder().addLimit(limit -> limit.capacity(TRIES).refillGreedy(TRIES, TRIES_COME_BACK)).build());

    Passwords(Accounts accounts, PasswordEncoder encoder) {
        this.accounts = accounts;
        this.encoder = encoder;
    }

    /**
     * @param accountName as typed
     * @param password as typed
     * @param remoteAddress where the request came from
     * @return the account
     * @throws ProblemException sign-in when they do not fit, throttled after too many wrong tries
     */
    Account check(String accountName, String password, String remoteAddress) {
        Optional<Account> account = accounts.findByAccountName(accountName.strip().toLowerCase(Locale.ROOT));
        return spendingTry(accountName.strip().toLowerCase(Locale.ROOT), () -> {
            // The same work is done for an unknown name, so that the time it takes tells nothing.
            String hash = account.map(Account::passwordHash).orElse(NOBODYS_HASH);
            boolean fits = encoder.matches(password, hash);
            return account.filter(found -> fits && mayAnswer(found, remoteAddress));
        }).orElseThrow(() -> new ProblemException(Problems.wrongPassword()));
    }

    /** Whether this is the password of the person who is signed in. Wrong ones use up the same tries. */
    public void checkAgain(SignedIn person, String password) {
        Account account = accounts.findById(person.id()).orElseThrow(() -> new ProblemException(Problems.signIn()));
        spendingTry(account.accountName(), () -> Optional.of(account).filter(a -> encoder.matches(password, a.passwordHash())))
                .orElseThrow(() -> new ProblemException(Problems.wrongSigningPassword()));
    }

    private Optional<Account> spendingTry(String name, java.util.function.Supplier<Optional<Account>> check) {
        Bucket bucket = tries.get(name);
        ConsumptionProbe probe = bucket.tryConsumeAndReturnRemaining(1);
        if (!probe.isConsumed()) {
            long seconds = Duration.ofNanos(probe.getNanosToWaitForRefill()).toSeconds() + 1;
            throw new ProblemException(Problems.throttled(seconds));
        }
        Optional<Account> found = check.get();
        if (found.isPresent()) {
            bucket.addTokens(1);
        }
        return found;
    }

    private static boolean mayAnswer(Account account, String remoteAddress) {
        return !account.demo() || isThisMachine(remoteAddress);
    }

    static boolean isThisMachine(String address) {
        try {
            return InetAddress.getByName(address).isLoopbackAddress();
        } catch (UnknownHostException _) {
            return false;
        }
    }
}
