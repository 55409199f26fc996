package org.skelda.core.start;

import static org.skelda.core.start.Words.text;

import java.time.Duration;
import org.jspecify.annotations.Nullable;
import org.skelda.core.limit.DwellWatch;
import org.skelda.core.limit.Limit;

/** Findings about the air or the current that turns the engine. */
final class SupplyRules {
    private static final long VOLTS_COUNT_AFTER_us = 2_000_000;

    private SupplyRules() {}

    /**
     * LOW_SUPPLY: under its cranking minimum continuously for 2.0 s, starter on; volts count from 2.0 s after starter
     * on.
     */
    static final class LowSupply implements Rule.AtSwitch {
        private static final Duration FOR = Duration.ofSeconds(2);
        private DwellWatch watch;

        @Override
        public void begin(Attempt a) {
            watch = new DwellWatch(Limit.below(0, FOR), at_us -> low(a, at_us));
            a.listen(a.readings().margin(), watch);
        }

        @Override
        public void switched(Attempt a) {
            if (a.switches().starterTurnedOn()) {
                boolean volts = a.profile().drive().manner() == StartProfile.Manner.ELECTRIC;
                watch.openFrom(a.now_us() + (volts ? VOLTS_COUNT_AFTER_us : 0));
            } else if (a.switches().starterTurnedOff()) {
                watch.closeAt(a.now_us());
            }
        }

        private static void low(Attempt a, long at_us) {
            boolean fuelCame = a.at_us(Milestone.FUEL_ON) <= at_us;
            StartProfile profile = a.profile();
            a.raise(
                    FindingId.LOW_SUPPLY,
                    at_us,
                    fuelCame ? Action.ADVISE : Action.STOP_STARTER,
                    text(
                            "The %s was under the least for cranking for 2 s, by %.1f %s.",
                            profile.words(profile.supplyParameter()),
                            -a.readings().margin().last(),
                            profile.supplyUnit()));
        }
    }

    /** DIP_LOW: bus volts within 2.0 s of starter on, at the crossing. */
    static final class DipLow implements Rule.AtSwitch {
        private static final long WITHIN_us = 2_000_000;
        private @Nullable DwellWatch stop;
        private @Nullable DwellWatch caution;

        @Override
        public void begin(Attempt a) {
            StartProfile.Supply.Dip dip = a.profile().supply().dip();
            if (dip == null) {
                return;
            }
            caution = watch(a, dip.caution_v(), Action.ADVISE, "the caution");
            stop = watch(a, dip.stop_v(), Action.STOP_STARTER, "the least");
        }

        private static DwellWatch watch(Attempt a, double volts, Action action, String which) {
            DwellWatch watch = new DwellWatch(
                    Limit.below(volts, Duration.ZERO),
                    at_us -> a.raise(
                            FindingId.DIP_LOW,
                            at_us,
                            action,
                            text("Bus volts dipped under %s of %.1f V as the starter engaged.", which, volts)));
            a.listen(a.readings().of(Parameter.VOLTS), watch);
            return watch;
        }

        @Override
        public void switched(Attempt a) {
            if (caution != null && stop != null && a.switches().starterTurnedOn()) {
                for (DwellWatch watch : new DwellWatch[] {caution, stop}) {
                    watch.openFrom(a.now_us());
                    watch.closeAt(a.now_us() + WITHIN_us);
                }
            }
        }
    }
}
