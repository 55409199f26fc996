import type { Schemas } from '../api/client';
import { isoDuration } from '../ui/time';

export type UnitsView = Schemas['UnitsView'];
export type UnitView = Schemas['UnitView'];
export type UnitTap = Schemas['UnitOffer']['tap'];

/** What a unit does, as the crew reads it. */
export function doing(unit: UnitView): string {
  switch (unit.phase) {
    case 'OFF':
      return 'off';
    case 'STORING':
      return 'storing its position';
    case 'NAVIGATING':
      return 'in navigation';
    case 'ALIGNING':
      return unit.quick ? 'aligning quickly' : 'aligning';
  }
}

/** How much of its count is over, 0 to 1; null when it does not count. */
export function counted(unit: UnitView, now: number): number | null {
  if (!unit.counted) return null;
  const needs = isoDuration(unit.needs);
  if (needs <= 0) return 1;
  return Math.min(1, Math.max(0, 1 - (Date.parse(unit.counted) - now) / needs));
}

/** A position against the stand: what a judged number shows. */
export function offStand(off_NM: number, near_NM: number): string {
  const off = off_NM < 100 ? off_NM.toFixed(1) : Math.round(off_NM).toString();
  return off_NM <= near_NM
    ? `${off} NM from the stand, at most ${near_NM}`
    : `${off} NM from the stand, over ${near_NM}`;
}

/** Why an alignment is advised: each reason with its number, limit and margin. */
export function reasons(advice: Schemas['Advice']): string[] {
  return advice.reasons.map((reason) =>
    reason.value === undefined || reason.limit === undefined
      ? reason.words
      : `${reason.words} ${reason.value} ${reason.unit}, limit ${reason.limit} ${reason.unit}, ` +
        `${Math.round((reason.value - reason.limit) * 10) / 10} over`,
  );
}

/** The title of an advice. */
export function advised(advice: Schemas['Advice']): string {
  switch (advice.kind) {
    case 'FULL':
      return 'Full alignment';
    case 'QUICK':
      return 'Quick alignment';
    case 'NONE':
      return 'No alignment needed';
    case 'NOT_DECIDED':
      return 'Not decided';
  }
}

/** "unit 1", "units 1 and 2", or nothing where all are meant. */
export function which(units: number[], all: number): string {
  if (units.length === all) return '';
  return units.length === 1 ? `unit ${units[0]}` : `units ${units.slice(0, -1).join(', ')} and ${units.at(-1)}`;
}
