import type { Schemas } from '../api/client';
import type { DrawnBand } from './LaneChart';

const US_PER_S = 1e6;

/** The bands of some starts as the lanes draw them, by what is read. */
export function drawnBands(band: Schemas['Band'] | undefined): Partial<Record<string, DrawnBand>> {
  if (!band) return {};
  return Object.fromEntries(
    band.spreads.map((spread) => {
      const { lowest, median, highest } = spread as unknown as Pick<DrawnBand, 'lowest' | 'median' | 'highest'>;
      return [
        spread.parameter,
        { from: band.from_us / US_PER_S, step: band.step_us / US_PER_S, lowest, median, highest },
      ];
    }),
  );
}
