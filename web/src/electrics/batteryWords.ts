import type { Schemas } from '../api/client';

type Advice = Schemas['BatteryAdvice'];

/** What is advised, in two words or one. */
export function advised(kind: Advice['kind']): string {
  switch (kind) {
    case 'USE':
      return 'Use it';
    case 'CHARGE':
      return 'Charge it';
    case 'WARM':
      return 'Warm it';
    case 'INTO_WIND':
      return 'Into the wind';
    case 'GROUND_POWER':
      return 'Ground power';
    case 'MAINTENANCE':
      return 'Maintenance';
    case 'NOT_DECIDED':
      return 'Not decided';
  }
}

/** A judged number with its limit and the margin to it. */
export function judged(number: Advice['numbers'][number]): string {
  const margin = Math.abs(number.margin).toFixed(2);
  return (
    `${number.name} ${number.value.toFixed(1)} ${number.unit}: ${margin} ${number.unit} ` +
    `${number.value < number.limit ? 'under' : 'over'} ${number.limit} ${number.unit}`
  );
}

/** Another battery that does the same, held against this one. */
export function beside(other: Advice['others'][number]): string {
  const apart = Math.abs(other.more_V).toFixed(1);
  return (
    `Beside it: ${other.name} ${other.loaded_v.toFixed(1)} V, ` +
    (other.more_V === 0 ? 'the same' : `${apart} V ${other.more_V > 0 ? 'more' : 'less'}`)
  );
}
