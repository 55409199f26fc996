package org.skelda.app.demo;

import com.github.f4b6a3.uuid.UuidCreator;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.skelda.app.SkeldaProperties;
import org.skelda.app.clock.ServerClock;
import org.skelda.app.departure.Departures;
import org.skelda.app.fact.DayNews;
import org.skelda.app.fleet.Fleet;
import org.skelda.app.people.Account;
import org.skelda.app.people.Accounts;
import org.skelda.app.people.DemoPassword;
import org.skelda.app.procedure.Packs;
import org.skelda.app.school.Schools;
import org.skelda.core.crew.Person;
import org.skelda.core.fact.FactEvent;
import org.skelda.core.procedure.Plan;
import org.skelda.core.record.Opening;
import org.skelda.formats.start.StartProfiles;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.io.ClassPathResource;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import org.springframework.util.function.SingletonSupplier;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.dataformat.yaml.YAMLMapper;

/**
 * In the demonstration: adds the made-up operators, and for each a day of departures when none lies within half a day
 * of now.
 */
@Component
class DemoData implements ApplicationRunner {
    private static final List<String> OPERATORS = List.of("vardholm", "skerja");
    private static final Duration A_DAY_LIES_WITHIN = Duration.ofHours(12);
    private static final String TRIED_ON_ONE_TAIL = "Tried on this tail first";
    private static final Duration JUST_NOW = Duration.ofSeconds(4);

    private final Fleet fleet;
    private final Accounts accounts;
    private final PasswordEncoder passwords;
    private final Packs packs;
    private final Schools schools;
    private final Departures departures;
    private final ScriptedStarts starts;
    private final DayNews news;
    private final ServerClock clock;
    private final boolean wanted;

    DemoData(
            Fleet fleet,
            Accounts accounts,
            PasswordEncoder passwords,
            Packs packs,
            Schools schools,
            Departures departures,
            ScriptedStarts starts,
            DayNews news,
            ServerClock clock,
            SkeldaProperties properties) {
        this.fleet = fleet;
        this.accounts = accounts;
        this.passwords = passwords;
        this.packs = packs;
        this.schools = schools;
        this.departures = departures;
        this.starts = starts;
        this.news = news;
        this.clock = clock;
        this.wanted = properties.demo();
    }

    private static DemoScript load(String operator) {
        try (InputStream in = new ClassPathResource("demo/" + operator + ".yaml").getInputStream()) {
            return YAMLMapper.builder()
                    .disable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
                    .build()
                    .readValue(in, DemoScript.class);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Override
    public void run(ApplicationArguments arguments) {
        if (wanted) {
            try (ExecutorService sideBySide = Executors.newVirtualThreadPerTaskExecutor()) {
                forEach(OPERATORS, operator -> add(load(operator), sideBySide), sideBySide);
            }
        }
    }

    private static <T> void forEach(List<T> all, Consumer<T> work, ExecutorService sideBySide) {
        all.stream()
                .map(one -> CompletableFuture.runAsync(() -> work.accept(one), sideBySide))
                .toList()
                .forEach(CompletableFuture::join);
    }

    private void add(DemoScript script, ExecutorService sideBySide) {
        String operator = script.operator().id();
        fleet.addOperator(operator, script.operator().name());
        script.airfields()
                .forEach(f -> fleet.add(
                        operator,
                        new Fleet.Airfield(f.code(), f.name(), f.latitude_deg(), f.longitude_deg(), f.elevation_ft())));
        script.tails().forEach(t -> fleet.add(operator, new Fleet.Tail(t.registration(), t.type(), t.modifications())));
        Map<String, Person> crew = crew(script);
        Instant now = clock.instant();
        Person office = script.crew().stream()
                .filter(DemoScript.CrewMember::standards)
                .map(member -> crew.get(member.account()))
                .findFirst()
                .orElseThrow();
        script.tails().forEach(tail -> setSchools(operator, tail, office, now));
        boolean wantsDay = !departures.anyWithin(operator, now, A_DAY_LIES_WITHIN);
        // The flights of one aircraft follow its past and each other.
        forEach(
                script.tails(),
                tail -> {
                    if (StartProfiles.TYPES.contains(tail.type())) {
                        starts.weeksBefore(
                                operator, tail.registration(), StartProfiles.of(tail.type()), tail.engines(), now);
                    }
                    if (wantsDay) {
                        script.day().stream()
                                .filter(leg -> leg.tail().equals(tail.registration()))
                                .forEach(leg -> add(script, leg, crew, now));
                    }
                },
                sideBySide);
    }

    /** Once: a server that begins anew finds them set. */
    private void setSchools(String operator, DemoScript.TailRow tail, Person office, Instant now) {
        if (tail.schools() == null) {
            return;
        }
        List<String> before = schools.history(operator, tail.type()).stream()
                .filter(set -> tail.registration().equals(set.tail()))
                .map(Schools.Set::option)
                .toList();
        tail.schools().forEach((option, school) -> {
            if (!before.contains(option)) {
                schools.set(operator, tail.type(), tail.registration(), option, school, office, now, TRIED_ON_ONE_TAIL);
            }
        });
    }

    private Map<String, Person> crew(DemoScript script) {
        // One password for all: its slow digest is taken once.
        Supplier<String> digest = SingletonSupplier.of(() -> String.valueOf(passwords.encode(DemoPassword.TEXT)));
        return script.crew().stream()
                .map(member -> accounts.findByAccountName(member.account())
                        .orElseGet(() -> accounts.save(account(script.operator().id(), member, digest.get()))))
                .collect(Collectors.toMap(Account::accountName, Account::person));
    }

    private static Account account(String operator, DemoScript.CrewMember member, String digest) {
        Account account = new Account(
                UuidCreator.getTimeOrderedEpoch().toString(),
                operator,
                member.account(),
                member.name(),
                member.duty(),
                digest,
                true);
        if (member.administrator()) {
            account.asAdministrator();
        }
        return member.standards() ? account.asStandards() : account;
    }

    private void add(DemoScript script, DemoScript.Leg leg, Map<String, Person> crew, Instant now) {
        Function<String, Person> named = name -> java.util.Objects.requireNonNull(crew.get(name), name);
        Instant begun = now.minus(Duration.ofMinutes(leg.begunBefore_min()));
        Opening opening = opening(leg, script.operator().id(), now);
        departures.open(opening, named.apply(script.crew().getFirst().account()), begun);
        tell(script, opening, begun);
        if (leg.left() == null) {
            return;
        }
        Person left = named.apply(leg.left());
        ScriptedCrew scripted = new ScriptedCrew(departures, starts, script, opening.departureId(), begun);
        scripted.seat(left, leg.right() == null ? null : named.apply(leg.right()));
        scripted.workUntil(now.minus(JUST_NOW), Duration.ofSeconds(leg.paceOfLine_s()), leg.upTo());
        if (leg.heldBecause() != null) {
            scripted.hold(left, leg.heldBecause());
        }
        if (leg.signed()) {
            scripted.sign(left);
        }
    }

    /** What others than the crew know of the day, where the procedures ask for it. */
    private void tell(DemoScript script, Opening opening, Instant at) {
        Plan plan = packs.planOf(opening);
        script.news().forEach((source, facts) -> {
            // What the crew knows it tells itself.
            if (source != FactEvent.Source.CREW) {
                news.tell(opening.departureId(), source, DemoScript.facts(facts, plan), at);
            }
        });
    }

    private Opening opening(DemoScript.Leg leg, String operator, Instant now) {
        Fleet.Tail tail = fleet.tail(operator, leg.tail());
        Fleet.Airfield from = fleet.airfield(operator, leg.from());
        Packs.Current pair = packs.currentFor(operator, tail.typeId());
        Instant offBlock = now.plus(Duration.ofMinutes(leg.offBlockIn_min())).truncatedTo(ChronoUnit.MINUTES);
        return new Opening(
                UuidCreator.getTimeOrderedEpoch(),
                Opening.Kind.LINE,
                operator,
                leg.tail(),
                tail.typeId(),
                leg.flight(),
                leg.from(),
                leg.to(),
                leg.stand(),
                from.latitude_deg(),
                from.longitude_deg(),
                from.elevation_ft(),
                offBlock,
                pair.typeHash(),
                pair.procedureHash(),
                tail.modifications(),
                schools.of(operator, tail.registration(), packs.planFor(operator, tail.typeId())));
    }
}
