import { MantineProvider } from '@mantine/core';
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { DepartureView, DeskPage } from '../api/client';
import type { DepartureLive } from '../live/DepartureLive';
import { begin, reduce, type EngineLive, type LiveState } from '../live/liveState';
import { DepartureProvider } from '../live/departureContext';
import { useKeyDispatcher } from '../keys/useKeys';
import { ProcedureDesk } from './ProcedureDesk';
import { Thread } from './Thread';
import { useDeparture, useEngines } from '../live/departureContext';

/** Tells each drawing of the desk's card, which is the real one. */
const cards = vi.hoisted(() => vi.fn());
vi.mock('./LineCard', async (original) => {
  const real = await original<typeof import('./LineCard')>();
  return {
    ...real,
    LineCard: (props: Parameters<typeof real.LineCard>[0]) => {
      cards();
      return real.LineCard(props);
    },
  };
});

const PERSON = { id: 'p-1', name: 'Runa Halden', duty: 'Captain' };
const KINDS = [
  ['radar', 'CAUTION'],
  ['battery', 'ACTION'],
  ['volts', 'MEASURE'],
  ['lights', 'CHECK'],
] as const;

function page(): DeskPage {
  const lines = KINDS.map(([id, kind]) => ({
    ref: `power/${id}`,
    kind,
    label: id,
    expects: 'on',
    marks: { stationary: false, notSteering: false, heldUntilAgreed: false, repeatable: kind === 'CAUTION' },
    detail: {
      splits: false,
      own: kind === 'CAUTION',
      choices: [],
      axes: [],
      ...(kind === 'MEASURE'
        ? {
            measure: {
              quantity: id,
              unit: 'V',
              decimals: 1,
              possibleMin: 0,
              possibleMax: 40,
              min: 23.2,
              source: 'table',
            },
          }
        : {}),
    },
  }));
  return {
    id: 'd',
    maps: [],
    pilots: { min: 2, max: 2 },
    procedures: [{ id: 'power', title: 'Power', style: 'FLOW', strand: 1, how: 'silent', lines }],
  } as unknown as DeskPage;
}

function view(done: number): DepartureView {
  return {
    seq: done + 1,
    at: '2026-05-04T10:00:00Z',
    lifecycle: 'WORKING',
    openLines: 4 - done,
    clocks: [],
    amendments: [],
    facts: [],
    seats: [{ seat: 'LEFT', role: 'FLYING', person: PERSON }],
    waitsFor: { text: '' },
    procedures: [
      {
        id: 'power',
        state: done === 4 ? 'DONE' : 'NOW',
        done,
        total: 4,
        next: KINDS[done] ? `power/${KINDS[done][0]}` : undefined,
        lines: KINDS.map(([id], index) => ({ ref: `power/${id}`, state: index < done ? 'DONE' : 'OPEN' })),
      },
      { id: 'tests', state: 'OPEN', done: 0, total: 12, lines: [] },
      { id: 'apu', state: 'OPEN', done: 0, total: 9, lines: [] },
    ],
  } as unknown as DepartureView;
}

class FakeLive {
  private state: LiveState = begin(view(0));
  private listeners = new Set<() => void>();
  asked: unknown[] = [];
  subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  snapshot = () => this.state;
  dismiss = () => undefined;
  /** When set, answers wait for it: the stream is then quicker than the answer. */
  late: Promise<boolean> = Promise.resolve(true);
  ask = async (asked: unknown) => {
    this.asked.push(asked);
    return this.late;
  };
  show(done: number) {
    this.change(reduce(this.state, { type: 'viewed', view: view(done) }));
  }
  /** A reading of an engine comes, and nothing else changes. */
  read(engine: number) {
    this.change({ engines: { [engine]: { view: { engine }, samples: [], heardAt: 0 } as unknown as EngineLive } });
  }
  private change(what: Partial<LiveState>) {
    this.state = { ...this.state, ...what };
    act(() => this.listeners.forEach((listener) => listener()));
  }
}

function Shown() {
  const { works } = useDeparture();
  const work = works[0];
  return work ? (
    <ProcedureDesk work={work} go={() => undefined} meanwhile={() => undefined} idle={false} ready={false} />
  ) : null;
}

/** The page's one listener for keys, as the application has it. */
function Keys() {
  useKeyDispatcher();
  return null;
}

describe('the desk of a flow', () => {
  let live: FakeLive;
  let time = 10_000;
  beforeEach(() => {
    time = 10_000;
    vi.spyOn(performance, 'now').mockImplementation(() => time);
    live = new FakeLive();
    render(
      <MantineProvider>
        <MemoryRouter>
          <DepartureProvider live={live as unknown as DepartureLive} page={page()} person={PERSON}>
            <Keys />
            <Shown />
          </DepartureProvider>
        </MemoryRouter>
      </MantineProvider>,
    );
  });
  afterEach(() => {
    cleanup();
    vi.restoreAllMocks();
  });
  const press = (key: string, repeat = false) =>
    act(async () => {
      fireEvent.keyDown(document.body, { key, repeat });
    });

  it('acknowledges a caution with its own key only', async () => {
    await press(' ');
    expect(live.asked).toEqual([]);
    await press('Enter');
    expect(live.asked).toEqual([{ ask: 'ANSWER', line: 'power/radar' }]);
  });

  it('answers one line for a key that is held or pressed twice within 250 ms', async () => {
    live.show(1);
    time += 1000;
    await press(' ');
    await press(' ', true);
    time += 200;
    await press(' ');
    expect(live.asked).toHaveLength(1);
    time += 100;
    await press(' ');
    expect(live.asked).toHaveLength(2);
  });

  it('does not answer a line that has come up unread because of a colleague', async () => {
    time += 1000;
    live.show(1);
    live.show(3);
    time += 100;
    await press(' ');
    expect(live.asked).toEqual([]);
    time += 400;
    await press(' ');
    expect(live.asked).toEqual([{ ask: 'ANSWER', line: 'power/lights' }]);
  });

  it('sends a measured value with its unit, and nothing while no number stands there', async () => {
    live.show(2);
    time += 1000;
    await press('Enter');
    expect(live.asked).toEqual([]);
    for (const key of '24.6') await press(key);
    await press('Enter');
    expect(live.asked).toEqual([{ ask: 'MEASURE', line: 'power/volts', value: 24.6, unit: 'V' }]);
  });

  it('keeps what is typed on a line when the answer to the one before comes late', async () => {
    let answer: (accepted: boolean) => void = () => undefined;
    live.show(1);
    time += 1000;
    live.late = new Promise((resolve) => {
      answer = resolve;
    });
    await press(' ');
    live.show(2);
    for (const key of '24.6') await press(key);
    await act(async () => answer(true));
    await press('Enter');
    expect(live.asked).toEqual([
      { ask: 'ANSWER', line: 'power/battery' },
      { ask: 'MEASURE', line: 'power/volts', value: 24.6, unit: 'V' },
    ]);
  });

  it('does once more what may be repeated, and nothing else', async () => {
    live.show(2);
    time += 1000;
    await press('ArrowUp');
    time += 1000;
    await press('a');
    await press(' ');
    expect(live.asked).toEqual([]);
    await press('ArrowUp');
    time += 1000;
    await press('a');
    await press('Enter');
    expect(live.asked).toEqual([{ ask: 'ANSWER', line: 'power/radar' }]);
  });

  it('shows what is behind and ahead of the displayed line', () => {
    live.show(1);
    expect(screen.getByTestId('line-card').textContent).toContain('battery');
    expect(screen.getByText('radar')).toBeTruthy();
    expect(screen.getByText('lights')).toBeTruthy();
  });
});

describe('what was done earlier', () => {
  const shownWith = (by?: 'FLYING' | 'MONITORING') => {
    const live = new FakeLive();
    const told = page();
    const lights = told.procedures[0]!.lines[3]!;
    lights.marks = { ...lights.marks, by };
    render(
      <MantineProvider>
        <MemoryRouter>
          <DepartureProvider live={live as unknown as DepartureLive} page={told} person={PERSON}>
            <Keys />
            <Shown />
          </DepartureProvider>
        </MemoryRouter>
      </MantineProvider>,
    );
    live.show(3);
  };
  const press = () =>
    act(async () => {
      fireEvent.keyDown(document.body, { key: 'l' });
    });
  afterEach(cleanup);

  it('is told by the pilot whose line it is', async () => {
    shownWith('FLYING');
    expect(screen.getByRole('button', { name: /Done earlier/ })).toBeTruthy();
    await press();
    expect(screen.getByText('Done earlier: lights')).toBeTruthy();
  });

  it('is not offered to the other one, by button or key', async () => {
    shownWith('MONITORING');
    expect(screen.queryByRole('button', { name: /Done earlier/ })).toBeNull();
    await press();
    expect(screen.queryByText('Done earlier: lights')).toBeNull();
  });
});

describe('a reading', () => {
  it('redraws what shows readings, and nothing else of the page', () => {
    const live = new FakeLive();
    const drawn = { readings: 0, whatAsksForTheDeparture: 0 };
    const Readings = () => {
      drawn.readings += 1;
      return <p>{Object.keys(useEngines()).join()}</p>;
    };
    const Other = () => {
      drawn.whatAsksForTheDeparture += 1;
      return <p>{useDeparture().state.view.seq}</p>;
    };
    render(
      <MantineProvider>
        <MemoryRouter>
          <DepartureProvider live={live as unknown as DepartureLive} page={page()} person={PERSON}>
            <Shown />
            <Readings />
            <Other />
          </DepartureProvider>
        </MemoryRouter>
      </MantineProvider>,
    );
    Object.assign(drawn, { readings: 0, whatAsksForTheDeparture: 0 });
    cards.mockClear();
    for (let engine = 1; engine <= 3; engine++) live.read(engine);
    expect(drawn).toEqual({ readings: 3, whatAsksForTheDeparture: 0 });
    expect(cards).not.toHaveBeenCalled();
    live.show(1);
    expect(drawn.whatAsksForTheDeparture).toBe(1);
    expect(cards).toHaveBeenCalled();
    cleanup();
  });
});

describe('an answer', () => {
  it('redraws the lines and the procedure that it changes, and no other', () => {
    const live = new FakeLive();
    const told = page();
    // Whatever draws a line or a procedure reads its name.
    const drawn: string[] = [];
    const count = (one: object, key: string, name: string) =>
      Object.defineProperty(one, key, {
        get: () => {
          drawn.push(name);
          return name;
        },
      });
    const power = told.procedures[0]!;
    told.procedures.push({ ...power, id: 'tests', title: 'Tests', lines: [] }, { ...power, id: 'apu', lines: [] });
    told.procedures.forEach((procedure) => count(procedure, 'title', procedure.id));
    power.lines.forEach((line) => count(line, 'label', line.ref));
    render(
      <MantineProvider>
        <MemoryRouter>
          <DepartureProvider live={live as unknown as DepartureLive} page={told} person={PERSON}>
            <Shown />
            <Thread selected="power" go={() => undefined} />
          </DepartureProvider>
        </MemoryRouter>
      </MantineProvider>,
    );
    live.show(1);
    drawn.length = 0;
    // The second of four is done: its row, the card of the third and the card's procedure change.
    live.show(2);
    expect(new Set(drawn)).toEqual(new Set(['power', 'power/battery', 'power/volts']));
    drawn.length = 0;
    // The same again, as a stream that was cut tells it.
    live.show(2);
    expect(drawn).toEqual([]);
    cleanup();
  });
});
