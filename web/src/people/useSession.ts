import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answered, api, type SessionInfo } from '../api/client';

const SESSION = ['session'];
const AGAIN_MS = 2000;

/** Who is signed in; asks again by itself while the server does not answer. */
export function useSession() {
  return useQuery({
    queryKey: SESSION,
    queryFn: () => answered<SessionInfo>(api.GET('/api/session')),
    refetchInterval: (query) => (query.state.status === 'error' ? AGAIN_MS : false),
    staleTime: 60_000,
  });
}

export function useSignIn() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (body: { account: string; password: string }) => answered<SessionInfo>(api.POST('/api/session', { body })),
    onSuccess: (session) => queries.setQueryData(SESSION, session),
  });
}

export function useSignOut() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: () => answered(api.DELETE('/api/session')),
    onSuccess: () => queries.invalidateQueries({ queryKey: SESSION }),
  });
}
