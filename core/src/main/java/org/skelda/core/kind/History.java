package org.skelda.core.kind;

import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.pcollections.PVector;
import org.pcollections.TreePVector;

/** What happened on one line, oldest first. */
public record History(PVector<Done> done) {
    public static final History NONE = new History(TreePVector.empty());

    /** One thing that happened. @param work what; @param mark by whom and when */
    public record Done(Work work, Mark mark) {}

    /** A thing that happened, of one kind. */
    public record Of<W extends Work>(W work, Mark mark) {}

    public History plus(Work work, Mark mark) {
        return new History(done.plus(new Done(work, mark)));
    }

    public boolean isEmpty() {
        return done.isEmpty();
    }

    /** The newest of a kind. */
    public <W extends Work> Optional<Of<W>> last(Class<W> kind) {
        for (int i = done.size() - 1; i >= 0; i--) {
            if (kind.isInstance(done.get(i).work())) {
                return Optional.of(
                        new Of<>(kind.cast(done.get(i).work()), done.get(i).mark()));
            }
        }
        return Optional.empty();
    }

    /** All of a kind, oldest first. */
    public <W extends Work> List<Of<W>> all(Class<W> kind) {
        return done.stream()
                .filter(one -> kind.isInstance(one.work()))
                .map(one -> new Of<>(kind.cast(one.work()), one.mark()))
                .toList();
    }

    /** Who gave the newest entry, without confirmations and readings; null when there is none. */
    public @Nullable Mark answered() {
        for (int i = done.size() - 1; i >= 0; i--) {
            Work work = done.get(i).work();
            if (!(work instanceof Work.Confirmed)
                    && !(work instanceof Work.Agreed)
                    && !(work instanceof Measure.Read)) {
                return done.get(i).mark();
            }
        }
        return null;
    }

    /** Who confirmed or agreed to the newest entry; null when nobody has yet. */
    public @Nullable Mark confirmed() {
        Done newest = newest();
        return newest != null && (newest.work() instanceof Work.Confirmed || newest.work() instanceof Work.Agreed)
                ? newest.mark()
                : null;
    }

    /** When it was done before the newest time, oldest first; agreements and confirmations are none. */
    public List<Mark> earlier() {
        List<Mark> times = done.stream()
                .filter(one -> !(one.work() instanceof Work.Confirmed) && !(one.work() instanceof Work.Agreed))
                .map(Done::mark)
                .toList();
        return times.isEmpty() ? times : times.subList(0, times.size() - 1);
    }

    /** The first entry; null when there is none. */
    public @Nullable Done oldest() {
        return done.isEmpty() ? null : done.get(0);
    }

    /** The newest entry; null when there is none. */
    public @Nullable Done newest() {
        return done.isEmpty() ? null : done.get(done.size() - 1);
    }
}
