import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { answered, api } from '../api/client';
import { drawnBands } from './drawnBands';
import { useDeparture } from '../live/departureContext';

export interface LastGood {
  bands: ReturnType<typeof drawnBands>;
  /** How many they are; zero where they are too few for a band. */
  starts: number;
}

/** Where an engine's last good starts before this departure's lay; nothing until it is known. */
export function useLastGood(engine: number): LastGood {
  const { page } = useDeparture();
  const { data } = useQuery({
    queryKey: ['band', page.id, engine],
    queryFn: () =>
      answered(api.GET('/api/departures/{id}/starts/{engine}/band', { params: { path: { id: page.id, engine } } })),
    staleTime: Number.POSITIVE_INFINITY,
  });
  const band = data?.band;
  return useMemo(() => ({ bands: drawnBands(band), starts: band?.spreads.length ? band.starts : 0 }), [band]);
}
