import type { NetworkView } from './powerWords';

export const WIDTH = 760;
const LEFT = 12;
const SOURCE_HEIGHT = 46;
const FIRST_BUS = 88;
const BUS_STEP = 52;
export const BUS_HEIGHT = 26;
/** Room on the right for what leads from one bus to another. */
const BETWEEN = 18;

export interface Box {
  id: string;
  x: number;
  y: number;
  width: number;
  height: number;
}

/** A way from a source, or from a bus, down to a bus. */
export interface Lead {
  key: string;
  x: number;
  from: number;
  to: number;
  /** Whether power goes this way now. */
  live: boolean;
  /** The tie between, and whether it is open. */
  tie: { name: string; open: boolean } | null;
}

/** Where everything of a network is drawn: sources on top, each bus a bar below, leads straight down between them. */
export function drawn(view: NetworkView): { sources: Box[]; buses: Box[]; leads: Lead[]; height: number } {
  const between = view.buses.flatMap((bus) => bus.ways.filter((way) => view.buses.some((one) => one.id === way.from)));
  const right = WIDTH - LEFT - between.length * BETWEEN;
  const column = (right - LEFT) / view.sources.length;
  const sources = view.sources.map((source, index) => ({
    id: source.id,
    x: LEFT + index * column + 4,
    y: 2,
    width: column - 8,
    height: SOURCE_HEIGHT,
  }));
  const buses = view.buses.map((bus, index) => ({
    id: bus.id,
    x: LEFT,
    y: FIRST_BUS + index * BUS_STEP,
    width: WIDTH - 2 * LEFT,
    height: BUS_HEIGHT,
  }));
  let used = 0;
  const leads = view.buses.flatMap((bus, at) =>
    bus.ways.map((way, nth) => {
      const source = sources.find((one) => one.id === way.from);
      const above = buses.find((one) => one.id === way.from);
      const tie = view.ties.find((one) => one.id === way.through);
      // Leads of one source to several buses lie side by side, so that each can be followed.
      const beside = leadsBefore(view, way.from, at);
      const x = source
        ? source.x + source.width / 2 + (beside - (leadsOf(view, way.from) - 1) / 2) * 16
        : right + BETWEEN / 2 + used++ * BETWEEN;
      return {
        key: `${way.from} ${bus.id} ${nth}`,
        x,
        from: source ? SOURCE_HEIGHT + 2 : (above?.y ?? 0) + BUS_HEIGHT,
        to: buses[at]?.y ?? 0,
        live: bus.from === way.from,
        tie: tie ? { name: tie.name, open: !tie.byItself && tie.closed !== true } : null,
      };
    }),
  );
  return { sources, buses, leads, height: FIRST_BUS + (view.buses.length - 1) * BUS_STEP + BUS_HEIGHT + 4 };
}

function leadsOf(view: NetworkView, from: string): number {
  return view.buses.filter((bus) => bus.ways.some((way) => way.from === from)).length;
}

function leadsBefore(view: NetworkView, from: string, bus: number): number {
  return view.buses.slice(0, bus).filter((one) => one.ways.some((way) => way.from === from)).length;
}
