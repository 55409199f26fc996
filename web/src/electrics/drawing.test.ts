import { describe, expect, it } from 'vitest';
import { BUS_HEIGHT, drawn, WIDTH } from './drawing';
import { read, stands, ties, without, type NetworkView } from './powerWords';

const view: NetworkView = {
  says: 'Main 1 and Essential on Generator 1',
  source: 'the type',
  differs: [],
  sources: ['ground', 'generator-1', 'generator-2'].map((id) => ({
    id,
    name: id,
    kind: 'ENGINE' as const,
    stand: id === 'generator-1' ? ('FEEDING' as const) : ('AWAY' as const),
    carries: id === 'generator-1' ? ['main-1', 'essential'] : [],
    lost: id === 'generator-1' ? ['Essential: instruments'] : [],
    takenOver: [],
    hasSwitch: false,
  })),
  ties: [
    { id: 'tie', name: 'Tie', closed: false, byItself: false, hasSwitch: true },
    { id: 'own', name: 'Transfer', byItself: true, hasSwitch: false },
  ],
  buses: [
    {
      id: 'main-1',
      name: 'Main 1',
      carries: 'galley',
      ways: [{ from: 'generator-1' }, { from: 'ground' }, { from: 'generator-2', through: 'tie' }],
      from: 'generator-1',
      fedBy: 'generator-1',
      beside: [],
      powered: true,
    },
    {
      id: 'main-2',
      name: 'Main 2',
      carries: 'pumps',
      ways: [{ from: 'generator-2' }, { from: 'ground' }, { from: 'generator-1', through: 'own' }],
      beside: [],
      powered: false,
    },
    {
      id: 'essential',
      name: 'Essential',
      carries: 'instruments',
      ways: [{ from: 'main-1' }, { from: 'main-2' }],
      from: 'main-1',
      fedBy: 'generator-1',
      beside: [],
      powered: true,
    },
  ],
};

describe('the drawing of sources and buses', () => {
  const { sources, buses, leads, height } = drawn(view);

  it('keeps everything within its frame, sources apart from each other', () => {
    for (const box of [...sources, ...buses]) {
      expect(box.x).toBeGreaterThanOrEqual(0);
      expect(box.x + box.width).toBeLessThanOrEqual(WIDTH);
      expect(box.y + box.height).toBeLessThanOrEqual(height);
    }
    sources.slice(1).forEach((box, index) => expect(box.x).toBeGreaterThan(sources[index]!.x + sources[index]!.width));
  });

  it('leads every way to its bus from above, none on another', () => {
    expect(leads).toHaveLength(8);
    for (const lead of leads) expect(lead.from).toBeLessThanOrEqual(lead.to);
    expect(new Set(leads.map((lead) => lead.x)).size).toBe(leads.length);
    const essential = leads.find((lead) => lead.key.startsWith('main-1 essential'))!;
    expect(essential.from).toBe(buses[0]!.y + BUS_HEIGHT);
    expect(essential.to).toBe(buses[2]!.y);
  });

  it('shows which way is live, and a tie that is open', () => {
    expect(leads.filter((lead) => lead.live).map((lead) => lead.key)).toEqual([
      'generator-1 main-1 0',
      'main-1 essential 0',
    ]);
    const shared = drawn({
      ...view,
      buses: view.buses.map((bus, at) => (at === 0 ? { ...bus, beside: ['ground'] } : bus)),
    });
    expect(shared.leads.filter((lead) => lead.live).map((lead) => lead.key)).toContain('ground main-1 1');
    expect(leads.find((lead) => lead.tie?.name === 'Tie')?.tie?.open).toBe(true);
    expect(leads.find((lead) => lead.tie?.name === 'Transfer')?.tie?.open).toBe(false);
  });
});

describe('what is said of a source', () => {
  it('has a shape and words, each of its own', () => {
    const all = (['FEEDING', 'ON', 'AVAILABLE', 'AWAY', 'NOT_KNOWN'] as const).map((stand) =>
      stands({ ...view.sources[0]!, stand }),
    );
    expect(new Set(all.map((one) => one.shape)).size).toBe(5);
    expect(new Set(all.map((one) => one.words)).size).toBe(5);
  });

  it('tells what a source shows, and of a battery which way its current goes', () => {
    const source = { ...(view.sources[0] as NetworkView['sources'][number]) };
    expect(read(source, { voltage_V: 28, current_A: 36.4 })).toBe('28.0 V, 36 A');
    expect(read({ ...source, kind: 'BATTERY' }, { voltage_V: 24.21, current_A: -12 })).toBe('24.2 V, 12 A out');
    expect(read({ ...source, kind: 'BATTERY' }, { voltage_V: null, current_A: 43 })).toBe('43 A in');
    expect(read(source, undefined)).toBeNull();
  });

  it('tells how a tie stands', () => {
    expect(view.ties.map((tie) => ties(tie).words)).toEqual(['open', 'closes by itself when it is wanted']);
    expect(ties({ id: 'tie', name: 'Tie', byItself: false, hasSwitch: true }).words).toBe('not known');
  });

  it('tells what is lost without it only where it feeds', () => {
    expect(without(view.sources[0]!)).toBeNull();
    expect(without(view.sources[1]!)).toEqual({ goes: [], lost: ['Essential: instruments'] });
  });
});
