import type { Seat } from '../api/client';
import { goLetters } from '../keys/goLetters';
import type { Hands } from '../kind/LineKind';
import type { Work, WorkLine } from '../live/departureContext';

/** Which procedure and which line a desk shows. Judgement of lines is the server's; this only finds the place. */

export function isComplete(line: WorkLine): boolean {
  return line.view.state === 'DONE' || line.view.state === 'DEVIATED';
}

/** Whether nothing more is to be done about a line: it was worked, or is not needed today. */
export function isSettled(line: WorkLine): boolean {
  return isComplete(line) || line.view.state === 'NOT_NEEDED';
}

/** Whether a procedure is this seat's work: its own, both pilots', or one that it has taken over. */
export function isMine(work: Work, seat: Seat | null): boolean {
  const works = work.view.takenBy ?? work.text.seat;
  return seat === null || !works || works === seat;
}

/** Whether a line is done and may be done once more. */
export function canBeRepeated(line: WorkLine): boolean {
  return line.text.marks.repeatable && line.view.state === 'DONE';
}

/** Whether a line has to wait. What is done from memory never does: it is told late. */
export function mustWait(line: WorkLine): boolean {
  return line.view.gate !== undefined && line.text.kind !== 'MEMORY';
}

/** Whether one answer tells what was done, so that it can be told later, and nothing holds it back. */
export function canBeLate(line: WorkLine): boolean {
  return (
    !isSettled(line) &&
    !mustWait(line) &&
    !['DECISION', 'COMMUNICATION', 'CONTROL_CHECK', 'WALK', 'INDICATIONS'].includes(line.text.kind)
  );
}

/**
 * Whose hand a line is, where it is not that of who is at this page; null where it may be. The server judges it too.
 * `moves`: whether the aircraft does.
 */
export function othersPart(line: WorkLine, hands: Hands, moves: boolean): string | null {
  const { by, notSteering } = line.text.marks;
  if (hands.alone || hands.role === null || line.view.state === 'RESPONDED') return null;
  if (by && hands.role !== by) return `The pilot ${by.toLowerCase()} does it.`;
  if (notSteering && moves && hands.role === 'FLYING') return 'The pilot who does not steer does it.';
  return null;
}

const SHORT_WAIT_MS = 20_000;

/** Whether a line only waits for a clock that opens soon: the crew stays with it. */
export function isShortWait(line: WorkLine | undefined, now: number): boolean {
  const opensAt = line?.view.gate?.opensAt;
  return (
    opensAt !== undefined &&
    line?.view.gate?.waits.every((wait) => wait.kind === 'CLOCK' || wait.kind === 'APU') === true &&
    Date.parse(opensAt) - now < SHORT_WAIT_MS
  );
}

/** Whether a procedure goes on by itself within seconds. */
function waitsShortly(work: Work, now: number): boolean {
  return !work.view.next && isShortWait(work.lines[placeOfNext(work)], now);
}

/** The procedure to go on with: the first of this seat that has a line to answer, else the first that is not done. */
export function procedureToGoOnWith(works: Work[], seat: Seat | null, now = 0): Work | undefined {
  const open = works.filter((work) => work.view.state !== 'DONE' && work.view.state !== 'NOT_NEEDED');
  return (
    open.find((work) => isMine(work, seat) && (work.view.next || waitsShortly(work, now)) && !work.view.held) ??
    open.find((work) => isMine(work, seat)) ??
    open[0] ??
    works.at(-1)
  );
}

/**
 * The place of the line to show when nobody has looked elsewhere: the next one, else the first that is not complete.
 */
export function placeOfNext(work: Work): number {
  const next = work.lines.findIndex((line) => line.text.ref === work.view.next);
  if (next >= 0) return next;
  const open = work.lines.findIndex((line) => !isSettled(line));
  return open >= 0 ? open : work.lines.length - 1;
}

/** Lines that a search text finds, by label, expectation or procedure. */
export function found(works: Work[], search: string): { work: Work; line: WorkLine }[] {
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0) return [];
  return works.flatMap((work) =>
    work.lines
      .filter((line) => {
        const text = `${work.text.title} ${line.text.label} ${line.text.expects}`.toLowerCase();
        return words.every((word) => text.includes(word));
      })
      .map((line) => ({ work, line })),
  );
}

/** The zones a procedure's lines pass through, in order, each stay once, with the stay that holds the shown line. */
export function scan(lines: WorkLine[], place: number): { zones: string[]; now: number } {
  const zones: string[] = [];
  let now = -1;
  lines.forEach((line, index) => {
    const zone = line.text.zone;
    if (zone && zones.at(-1) !== zone) zones.push(zone);
    if (index === place) now = zone ? zones.length - 1 : -1;
  });
  return { zones, now };
}

/** The letter that goes to each procedure, by its id. A list for what went wrong has none: it is found by Q. */
export function lettersToGo(works: Work[]): Map<string, string> {
  const ways = works.filter((work) => work.text.occasion !== 'ABNORMAL');
  const letters = goLetters(ways.map((work) => work.text.title));
  return new Map(ways.map((work, index) => [work.text.id, letters[index] ?? '']));
}
