package org.skelda.sim.bleed;

import java.util.List;
import java.util.Set;
import org.skelda.core.bleed.AirNetwork;
import org.skelda.core.bleed.AirNetwork.Kind;
import org.skelda.core.bleed.AirNetwork.Source;
import org.skelda.sim.Surroundings;

/**
 * The air in the ducts of one aircraft. The strongest source holds what open valves join; packs and anti-ice take their
 * share; a starter that swallows air lowers it, the less the faster it turns. A duct follows with a short lag. One
 * thread.
 *
 * <p>Sources and shares are those of the type ({@link AirNetwork}); a weak source gives three tenths less at its worst.
 */
public final class SimulatedAir {
    private static final double WEAK = 0.30;
    private static final double LAG_s = 0.15;

    private final AirNetwork network;
    private final double[] rated_kpa;
    private final int[] givesInto;
    private final boolean[][] joinedOpen;
    private final boolean[][] joinedShut;
    private final int[] ductOf;
    private final double[] duct_kpa;

    /** What decides about the air at one moment. */
    public static final class Setting {
        private final double[] fan_pct;
        private final double[] swallowing;
        private boolean apu;
        private boolean cart;
        private boolean valvesOpen;
        private boolean packs;
        private double antiIce;
        private double weak;

        /** @param engines how many the aircraft has */
        public Setting(int engines) {
            fan_pct = new double[engines + 1];
            swallowing = new double[engines + 1];
        }

        /**
         * @param antiIce how far it is open, 0 to 1
         * @param weak how much less its source gives: 0 for all, 1 for the worst
         */
        public void set(boolean apu, boolean cart, boolean valvesOpen, boolean packs, double antiIce, double weak) {
            this.apu = apu;
            this.cart = cart;
            this.valvesOpen = valvesOpen;
            this.packs = packs;
            this.antiIce = antiIce;
            this.weak = weak;
        }

        /**
         * @param engine 1 and up; @param fan_pct N1 while it runs and gives air; NaN while it gives none
         * @param part of its free speed with which its starter turns; NaN while its valve is shut
         */
        public void engine(int engine, double fan_pct, double part) {
            this.fan_pct[engine] = fan_pct;
            this.swallowing[engine] = Double.isNaN(part) ? 0 : Math.max(0, 1 - part);
        }
    }

    public SimulatedAir(AirNetwork network, Surroundings surroundings, int engines) {
        this.network = network;
        List<Source> sources = network.sources();
        List<String> ducts = network.ducts().stream().map(AirNetwork.Duct::id).toList();
        rated_kpa = sources.stream()
                .mapToDouble(one -> one.delivers().at(surroundings.oat_c(), surroundings.elevation_ft()))
                .toArray();
        givesInto = sources.stream().mapToInt(one -> ducts.indexOf(one.duct())).toArray();
        joinedOpen = joined(ducts, true);
        joinedShut = joined(ducts, false);
        ductOf = new int[engines + 1];
        for (int engine = 1; engine <= engines; engine++) {
            ductOf[engine] =
                    network.ductOf(engine).map(duct -> ducts.indexOf(duct.id())).orElse(-1);
        }
        duct_kpa = new double[ducts.size()];
    }

    private boolean[][] joined(List<String> ducts, boolean open) {
        boolean[][] joined = new boolean[ducts.size()][ducts.size()];
        for (int i = 0; i < ducts.size(); i++) {
            Set<String> with = network.joined(ducts.get(i), _ -> open);
            for (int j = 0; j < ducts.size(); j++) {
                joined[i][j] = with.contains(ducts.get(j));
            }
        }
        return joined;
    }

    /** Steps on. @param dt_s step; infinite for a duct that has come to rest */
    public void step(Setting now, double dt_s) {
        boolean[][] joined = now.valvesOpen ? joinedOpen : joinedShut;
        for (int duct = 0; duct < duct_kpa.length; duct++) {
            double target = settled(now, joined[duct]);
            duct_kpa[duct] += (target - duct_kpa[duct]) * Math.min(1, dt_s / LAG_s);
        }
    }

    private double settled(Setting now, boolean[] joined) {
        double strongest = 0;
        for (int i = 0; i < rated_kpa.length; i++) {
            if (joined[givesInto[i]]) {
                strongest = Math.max(strongest, gives(i, now));
            }
        }
        for (AirNetwork.Taker taker : network.takers()) {
            double open = taker.what() == AirNetwork.Taking.ANTI_ICE ? now.antiIce : now.packs ? 1 : 0;
            strongest *= joined[indexOf(taker.duct())] ? 1 - open * taker.takes() : 1;
        }
        double swallowed = 0;
        for (int engine = 1; engine < ductOf.length; engine++) {
            swallowed += ductOf[engine] >= 0 && joined[ductOf[engine]] ? now.swallowing[engine] : 0;
        }
        return strongest * Math.max(0, 1 - network.swallows() * swallowed);
    }

    private int indexOf(String duct) {
        for (int i = 0; i < network.ducts().size(); i++) {
            if (network.ducts().get(i).id().equals(duct)) {
                return i;
            }
        }
        throw new IllegalStateException("no duct " + duct);
    }

    private double gives(int i, Setting now) {
        Source one = network.sources().get(i);
        double full = rated_kpa[i] * (1 - WEAK * now.weak);
        if (one.kind() == Kind.ENGINE) {
            int engine = one.engine() == null ? 0 : one.engine();
            double fan = engine < now.fan_pct.length ? now.fan_pct[engine] : Double.NaN;
            return Double.isNaN(fan) ? 0 : full * one.delivers().part(fan);
        }
        return (one.kind() == Kind.APU ? now.apu : now.cart) ? full : 0;
    }

    /** Pressure at the starter valve of an engine, kPa gauge; 0 for one that starts without air. */
    public double at(int engine) {
        return ductOf[engine] < 0 ? 0 : duct_kpa[ductOf[engine]];
    }
}
