package org.skelda.sim.bleed;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Objects;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.IntStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelda.core.bleed.AirNetwork;
import org.skelda.core.bleed.AirNetwork.Kind;
import org.skelda.core.bleed.AirNetwork.Source;
import org.skelda.formats.start.StartProfiles;
import org.skelda.sim.Surroundings;

/** The air that is simulated is the air that the type's network tells to expect. */
class SimulatedAirTest {
    @ParameterizedTest
    @CsvSource({"HAVERN-2M, 2", "HAVERN-2A, 2", "HAVERN-4, 4", "TEISTA-B2, 2"})
    void whatIsSimulatedIsWhatIsToldToExpect(String type, int engines) {
        AirNetwork network =
                Objects.requireNonNull(StartProfiles.of(type).supply().air());
        Random lot = new Random(9);
        for (int i = 0; i < 500; i++) {
            Surroundings day = new Surroundings(-30 + 70 * lot.nextDouble(), 5000 * lot.nextDouble(), 0);
            boolean apu = lot.nextBoolean();
            boolean cart = lot.nextBoolean();
            boolean open = lot.nextBoolean();
            boolean packs = lot.nextBoolean();
            boolean ice = lot.nextBoolean();
            double fan_pct = 15 + 25 * lot.nextDouble();
            Set<Integer> running = new TreeSet<>();
            IntStream.rangeClosed(1, engines).filter(_ -> lot.nextInt(3) == 0).forEach(running::add);
            int cranks = 1 + lot.nextInt(engines);
            double part = lot.nextDouble();

            SimulatedAir air = new SimulatedAir(network, day, engines);
            SimulatedAir.Setting setting = new SimulatedAir.Setting(engines);
            setting.set(apu, cart, open, packs, ice ? 1 : 0, 0);
            for (int engine = 1; engine <= engines; engine++) {
                setting.engine(
                        engine, running.contains(engine) ? fan_pct : Double.NaN, engine == cranks ? part : Double.NaN);
            }
            air.step(setting, Double.POSITIVE_INFINITY);

            String duct = network.ductOf(cranks).orElseThrow().id();
            double told = network.staticIn(
                            duct,
                            one -> gives(one, day, apu, cart, running, fan_pct),
                            _ -> open,
                            id -> takes(network, id, packs, ice))
                    * network.left(IntStream.of(cranks).mapToObj(_ -> part));
            assertThat(air.at(cranks)).isCloseTo(told, within(1e-9));
        }
    }

    private static boolean takes(AirNetwork network, String id, boolean packs, boolean ice) {
        return network.takers().stream()
                .anyMatch(one -> one.id().equals(id) && (one.what() == AirNetwork.Taking.PACK ? packs : ice));
    }

    private static double gives(
            Source one, Surroundings day, boolean apu, boolean cart, Set<Integer> running, double fan_pct) {
        if (one.kind() == Kind.ENGINE) {
            return running.contains(one.engine()) ? one.delivers().at(day.oat_c(), day.elevation_ft(), fan_pct) : 0;
        }
        return (one.kind() == Kind.APU ? apu : cart) ? one.delivers().at(day.oat_c(), day.elevation_ft()) : 0;
    }
}
