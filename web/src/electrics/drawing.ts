import type { NetworkView } from './powerWords';

export const WIDTH = 760;
const LEFT = 12;
/** From so many sources on, each is narrow: its name has a line for each word. */
export const MANY = 7;
export const NAME_LINE = 15;
const SOURCE_HEIGHT = 46;
const TO_FIRST_BUS = 40;
const BUS_STEP = 52;
export const BUS_HEIGHT = 26;
/** Room on the right for what leads from one bus to another. */
const BETWEEN = 14;

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
  const lines = Math.max(...view.sources.map((source) => nameLines(view, source.name).length));
  const sourceHeight = SOURCE_HEIGHT + (lines - 1) * NAME_LINE;
  const firstBus = 2 + sourceHeight + TO_FIRST_BUS;
  const right = WIDTH - LEFT - between.length * BETWEEN;
  const column = (right - LEFT) / view.sources.length;
  const sources = view.sources.map((source, index) => ({
    id: source.id,
    x: LEFT + index * column + 2,
    y: 2,
    width: column - 4,
    height: sourceHeight,
  }));
  const buses = view.buses.map((bus, index) => ({
    id: bus.id,
    x: LEFT,
    y: firstBus + index * BUS_STEP,
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
        from: source ? sourceHeight + 2 : (above?.y ?? 0) + BUS_HEIGHT,
        to: buses[at]?.y ?? 0,
        // Batteries that carry together give each by its own way.
        live: bus.from === way.from || bus.beside.includes(way.from),
        tie: tie ? { name: tie.name, open: !tie.byItself && tie.closed !== true } : null,
      };
    }),
  );
  return { sources, buses, leads, height: firstBus + (view.buses.length - 1) * BUS_STEP + BUS_HEIGHT + 4 };
}

/** A source's name as it fits its box. */
export function nameLines(view: NetworkView, name: string): string[] {
  return view.sources.length >= MANY ? name.split(' ') : [name];
}

function leadsOf(view: NetworkView, from: string): number {
  return view.buses.filter((bus) => bus.ways.some((way) => way.from === from)).length;
}

function leadsBefore(view: NetworkView, from: string, bus: number): number {
  return view.buses.slice(0, bus).filter((one) => one.ways.some((way) => way.from === from)).length;
}
