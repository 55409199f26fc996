import { Route, Routes } from 'react-router';
import { SignInPage } from './people/SignInPage';
import { lazy, Suspense, useRef } from 'react';
import { useKeyDispatcher } from './keys/useKeys';
import { SessionEnded } from './people/SessionEnded';
import { hasSignedOut, useSession } from './people/useSession';
import { PlainPage } from './ui/PlainPage';

const TodayPage = lazy(() => import('./today/TodayPage').then((page) => ({ default: page.TodayPage })));
const DeparturePage = lazy(() => import('./departure/DeparturePage').then((page) => ({ default: page.DeparturePage })));
const ReplayPage = lazy(() => import('./trace/ReplayPage').then((page) => ({ default: page.ReplayPage })));
const BesidePage = lazy(() => import('./beside/BesidePage').then((page) => ({ default: page.BesidePage })));
const TracesPage = lazy(() => import('./trace/TracesPage').then((page) => ({ default: page.TracesPage })));
const FeedsPage = lazy(() => import('./feed/FeedsPage').then((page) => ({ default: page.FeedsPage })));
const SchoolsPage = lazy(() => import('./school/SchoolsPage').then((page) => ({ default: page.SchoolsPage })));
const LightsPage = lazy(() => import('./simulator/LightsPage').then((page) => ({ default: page.LightsPage })));
const LogbookPage = lazy(() => import('./logbook/LogbookPage').then((page) => ({ default: page.LogbookPage })));

/** Chooses the page: signing in comes before everything else, and the address stays as it is meanwhile. */
export function App() {
  const session = useSession();
  const last = useRef(session.data?.person);
  useKeyDispatcher();
  if (session.isPending)
    return (
      <PlainPage title="Skelda">
        <p>Loading.</p>
      </PlainPage>
    );
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
      <Suspense
        fallback={
          <PlainPage title="Skelda">
            <p>Loading.</p>
          </PlainPage>
        }
      >
        <Routes>
          <Route path="/" element={<TodayPage />} />
          <Route path="/departures/:id" element={<DeparturePage person={person} />} />
          <Route path="/departures/:id/lights" element={<LightsPage />} />
          <Route path="/departures/:id/:procedure" element={<DeparturePage person={person} />} />
          <Route path="/departures/:id/starts/:engine/:number" element={<ReplayPage />} />
          <Route path="/beside/:start" element={<BesidePage />} />
          <Route path="/traces" element={<TracesPage />} />
          <Route path="/traces/:id" element={<ReplayPage />} />
          <Route path="/feeds" element={<FeedsPage />} />
          <Route path="/schools" element={<SchoolsPage />} />
          <Route path="/logbook" element={<LogbookPage />} />
          <Route path="/sign-in" element={<TodayPage />} />
          <Route
            path="*"
            element={
              <PlainPage title="No such page">
                <p>
                  There is nothing at this address. <a href="/">Go to Today</a>.
                </p>
              </PlainPage>
            }
          />
        </Routes>
      </Suspense>
    </>
  );
}
