package org.skelda.core.departure;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.skelda.core.crew.Person;
import org.skelda.core.crew.Role;
import org.skelda.core.crew.Seat;
import org.skelda.core.fact.DayFact;
import org.skelda.core.fact.FactAsk;
import org.skelda.core.kind.Doing;
import org.skelda.core.kind.LineRef;
import org.skelda.core.line.LineAsk;
import org.skelda.core.need.Value;
import org.skelda.core.procedure.Change;
import org.skelda.core.procedure.Line;
import org.skelda.core.record.RecordAsk;
import org.skelda.core.seat.SeatAsk;

/** Makes legal and illegal commands of two people and a stranger, some of them stale, late or repeated. */
final class RandomCrew {
    private final SplittableRandom random;
    private final List<LineRef> lines;
    private final List<String> procedures;
    private final List<Command> sent = new ArrayList<>();

    RandomCrew(long seed, Departure departure) {
        random = new SplittableRandom(seed);
        lines = new ArrayList<>(departure.plan().lines().keySet());
        lines.add(LineRef.parse("nowhere/nothing"));
        procedures = departure.plan().procedures().stream().map(p -> p.id()).toList();
    }

    /** One step: perhaps time passes, then someone asks for something. */
    void step(TestLog log) {
        if (random.nextInt(3) == 0) {
            log.pass(Duration.ofSeconds(random.nextInt(1, 120)));
        }
        Command command =
                !sent.isEmpty() && random.nextInt(12) == 0 ? sent.get(random.nextInt(sent.size())) : command(log);
        sent.add(command);
        log.submit(person(), command);
    }

    private Command command(TestLog log) {
        long seq = log.state().seq();
        long seen = random.nextInt(5) == 0 ? Math.max(0, seq - random.nextInt(6)) : seq;
        var doneAt = random.nextInt(6) == 0 ? log.now().minusSeconds(random.nextInt(-20, 300)) : null;
        return new Command(log.nextId(), seen, doneAt, ask(log));
    }

    private Person person() {
        int one = random.nextInt(20);
        return one == 0 ? TestLog.STRANGER : one % 2 == 0 ? TestLog.CAPTAIN : TestLog.OFFICER;
    }

    private Ask ask(TestLog log) {
        LineRef line = random.nextInt(3) == 0 ? lines.get(random.nextInt(lines.size())) : openOr(log);
        return switch (random.nextInt(26)) {
            case 0 -> Ask.of(new SeatAsk.TakeSeat(seat(), role(), random.nextBoolean() ? null : "crew change"));
            case 1 ->
                random.nextInt(3) == 0 ? Ask.of(new SeatAsk.ReleaseSeat(seat())) : Ask.of(new SeatAsk.SwapRoles());
            case 2 -> Ask.of(new SeatAsk.HandOverSeat(seat(), person()));
            case 3 ->
                Ask.of(new LineAsk.Hold(
                        procedures.get(random.nextInt(procedures.size())),
                        random.nextInt(5) == 0 ? " " : "fueller",
                        line));
            case 15 ->
                random.nextBoolean()
                        ? Ask.of(new SeatAsk.ConfirmHandOver(seat()))
                        : Ask.of(new LineAsk.TakeLines(
                                procedures.get(random.nextInt(procedures.size())), random.nextBoolean()));
            case 4 -> Ask.of(new LineAsk.Resume(procedures.get(random.nextInt(procedures.size()))));
            case 5, 6 -> Ask.of(new LineAsk.Undo(line, random.nextBoolean() ? "slip" : null));
            case 7 ->
                Ask.of(new LineAsk.Deviate(
                        line, random.nextInt(5) == 0 ? "" : "not fitted", random.nextBoolean() ? line.line() : null));
            case 8 -> Ask.of(new RecordAsk.Sign());
            case 9 -> Ask.of(new RecordAsk.Amend("note", false));
            case 12, 13 -> fact();
            case 14 ->
                Ask.of(new LineAsk.ReportChange(
                        Change.values()[random.nextInt(Change.values().length)],
                        random.nextInt(5) == 0 ? " " : "told late"));
            case 10, 11 -> Ask.of(new LineAsk.WorkLine(line, Doing.Confirm.PLAIN));
            default -> fitting(log, line);
        };
    }

    private LineRef openOr(TestLog log) {
        List<LineRef> open = log.state().openLines();
        return open.isEmpty()
                ? lines.get(random.nextInt(lines.size()))
                : open.get(random.nextInt(Math.min(4, open.size())));
    }

    private Ask fitting(TestLog log, LineRef ref) {
        Line line = log.state().plan().line(ref).orElse(null);
        if (line == null) {
            return Ask.of(new LineAsk.WorkLine(ref, Doing.Answer.PLAIN));
        }
        Doing doing = random.nextInt(4) == 0
                ? Doings.wild(line, random)
                : Doings.right(
                        line, log.state().line(ref).history(), log.state().progress()::value, false, random);
        return Ask.of(new LineAsk.WorkLine(ref, doing));
    }

    private Ask fact() {
        boolean number = random.nextBoolean();
        String id = random.nextInt(12) == 0
                ? "moon"
                : number ? DayFact.OAT_C.id() : random.nextBoolean() ? DayFact.ICING.id() : DayFact.NIGHT.id();
        Value value = number != (random.nextInt(12) == 0)
                ? new Value.Number(random.nextInt(-70, 60))
                : new Value.YesNo(random.nextBoolean());
        return Ask.of(new FactAsk.GiveFact(id, value, number != (random.nextInt(12) == 0) ? "degC" : ""));
    }

    private Seat seat() {
        return random.nextBoolean() ? Seat.LEFT : Seat.RIGHT;
    }

    private Role role() {
        return random.nextBoolean() ? Role.FLYING : Role.MONITORING;
    }
}
