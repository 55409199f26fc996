import { useMutation, useQuery, useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useWindowEvent } from '@mantine/hooks';
import { answered, api, SIGNED_OUT, type SessionInfo } from '../api/client';
import { ASIDE } from '../live/DepartureLive';

const SESSION = ['session'];
const ACCOUNT = 'skelda.account';
let signedOut = false;

/** Whether the person left on purpose since the last signing in. */
export function hasSignedOut(): boolean {
  return signedOut;
}

/** The account name that was signed in with last in this tab; null when none was. */
export function lastAccount(): string | null {
  return sessionStorage.getItem(ACCOUNT);
}
const AGAIN_MS = 2000;

/**
 * Who is signed in; asks again by itself while the server does not answer, and when a request was told that nobody is.
 */
export function useSession() {
  const queries = useQueryClient();
  useWindowEvent(SIGNED_OUT, () => void queries.invalidateQueries({ queryKey: SESSION }));
  return useQuery({
    queryKey: SESSION,
    queryFn: () => answered<SessionInfo>(api.GET('/api/session')),
    refetchInterval: (query) => (query.state.status === 'error' ? AGAIN_MS : false),
    staleTime: 60_000,
  });
}

/** Nothing that one person read or asked is shown to, or sent for, the next. */
function forgetTheOther(queries: QueryClient): void {
  queries.removeQueries({ predicate: (query) => query.queryKey[0] !== SESSION[0] });
  for (const key of Object.keys(sessionStorage)) if (key.startsWith(ASIDE)) sessionStorage.removeItem(key);
}

export function useSignIn() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (body: { account: string; password: string }) =>
      answered<SessionInfo>(api.POST('/api/session', { body })),
    onSuccess: (session, { account }) => {
      signedOut = false;
      if (lastAccount() !== account) forgetTheOther(queries);
      sessionStorage.setItem(ACCOUNT, account);
      queries.setQueryData(SESSION, session);
    },
  });
}

export function useSignOut() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: () => answered(api.DELETE('/api/session')),
    onSuccess: () => {
      signedOut = true;
      forgetTheOther(queries);
      return queries.invalidateQueries({ queryKey: SESSION });
    },
  });
}
