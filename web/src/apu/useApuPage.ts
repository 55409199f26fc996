import { useQuery } from '@tanstack/react-query';
import { answered, api, type Schemas } from '../api/client';

type ApuPage = Schemas['ApuPage'];

/** What does not change of the departure's APU, and what was read of it before. */
export function useApuPage(id: string, enabled = true) {
  return useQuery({
    queryKey: ['apu', id],
    queryFn: () => answered<ApuPage>(api.GET('/api/departures/{id}/apu', { params: { path: { id } } })),
    staleTime: Number.POSITIVE_INFINITY,
    enabled,
  });
}
