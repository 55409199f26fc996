import { Route, Routes } from 'react-router';
import { DeparturePage } from './departure/DeparturePage';
import { SignInPage } from './people/SignInPage';
import { useRef } from 'react';
import { useKeyDispatcher } from './keys/useKeys';
import { SessionEnded } from './people/SessionEnded';
import { hasSignedOut, useSession } from './people/useSession';
import { FeedsPage } from './feed/FeedsPage';
import { LogbookPage } from './logbook/LogbookPage';
import { ReplayPage } from './trace/ReplayPage';
import { TracesPage } from './trace/TracesPage';
import { TodayPage } from './today/TodayPage';
import { PlainPage } from './ui/PlainPage';

/** Chooses the page: signing in comes before everything else, and the address stays as it is meanwhile. */
export function App() {
  const session = useSession();
  const last = useRef(session.data?.person);
  useKeyDispatcher();
  if (session.isPending) return <PlainPage title="Skelda"><p>Loading.</p></PlainPage>;
  // Only before the first answer: a page that is at work stays as it is when a later asking fails.
  if (!session.data) {
    return (
      <PlainPage title="No link to the server">
        <p>The server does not answer. What was acknowledged is kept. This page tries again by itself.</p>
      </PlainPage>
    );
  }
  if (hasSignedOut()) last.current = undefined;
  // A session that ended by itself keeps the page as it is; only signing out leaves it.
  const person = session.data.person ?? last.current;
  last.current = person;
  if (!person) return <SignInPage session={session.data} />;
  return (
    <>
    {!session.data.person && <SessionEnded person={person} />}
    <Routes>
      <Route path="/" element={<TodayPage />} />
      <Route path="/departures/:id" element={<DeparturePage person={person} />} />
      <Route path="/departures/:id/:procedure" element={<DeparturePage person={person} />} />
      <Route path="/departures/:id/starts/:engine/:number" element={<ReplayPage />} />
      <Route path="/traces" element={<TracesPage />} />
      <Route path="/traces/:id" element={<ReplayPage />} />
      <Route path="/feeds" element={<FeedsPage />} />
      <Route path="/logbook" element={<LogbookPage />} />
      <Route path="/sign-in" element={<TodayPage />} />
      <Route path="*" element={<PlainPage title="No such page"><p>There is nothing at this address. <a href="/">Go to Today</a>.</p></PlainPage>} />
    </Routes>
    </>
  );
}
