import { Button, NativeSelect, TextInput } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState, type FormEvent } from 'react';
import { answered, api, ProblemError, type Schemas } from '../api/client';
import { PageHead } from '../people/PageHead';
import { utc } from '../ui/time';
import table from '../trace/TracesPage.module.css';
import styles from './FeedsPage.module.css';

/** Who may send readings of a tail: issued by an administrator, with a token that is shown once, and revoked here. */
export function FeedsPage() {
  const feeds = useQuery({ queryKey: ['feeds'], queryFn: () => answered(api.GET('/api/feeds')), retry: false });
  return (
    <div className={table.page}>
      <PageHead title="Feeds" />
      <main>
        {feeds.error && (
          <p role="alert" className={table.wrong}>
            {feeds.error instanceof ProblemError
              ? `${feeds.error.problem.detail} ${feeds.error.problem.todo}`
              : 'The server does not answer. Reload the page to try again.'}
          </p>
        )}
        {feeds.data && <Issuing tails={feeds.data.tails} />}
        {feeds.data?.feeds.length === 0 && (
          <p className={table.empty}>No feed has been issued yet. Issue one for the box of an aircraft above.</p>
        )}
        {feeds.data && feeds.data.feeds.length > 0 && (
          <table className={table.table}>
            <caption className="unseen">Feeds of this operator</caption>
            <thead>
              <tr>
                <th scope="col">Feed</th>
                <th scope="col">Tail</th>
                <th scope="col">Issued</th>
                <th scope="col">Stands</th>
              </tr>
            </thead>
            <tbody>
              {feeds.data.feeds.map((feed) => (
                <Row key={feed.id} feed={feed} />
              ))}
            </tbody>
          </table>
        )}
        <p className={table.foot}>
          A feed reads gauges for the crew; it never replaces them. Readings of a tail without a worked departure are
          ignored.
        </p>
      </main>
    </div>
  );
}

function Issuing({ tails }: { tails: string[] }) {
  const queries = useQueryClient();
  const [tail, setTail] = useState(tails[0] ?? '');
  const [label, setLabel] = useState('');
  const issue = useMutation({
    mutationFn: () => answered(api.POST('/api/feeds', { body: { tail, label: label.trim() } })),
    onSuccess: () => {
      setLabel('');
      void queries.invalidateQueries({ queryKey: ['feeds'] });
    },
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    issue.mutate();
  };
  return (
    <section aria-label="Issue a feed">
      <form className={table.opening} onSubmit={submit}>
        <NativeSelect label="Tail" value={tail} onChange={(event) => setTail(event.currentTarget.value)} data={tails} />
        <TextInput
          label="What sends it"
          placeholder="Recorder of QX-LOM"
          value={label}
          maxLength={120}
          onChange={(event) => setLabel(event.currentTarget.value)}
        />
        <Button type="submit" variant="filled" disabled={label.trim() === ''} loading={issue.isPending}>
          Issue a feed
        </Button>
        {issue.error && (
          <p role="alert" className={table.wrong}>
            {issue.error instanceof ProblemError
              ? `${issue.error.problem.detail} ${issue.error.problem.todo}`
              : 'The server did not answer in time. Look below whether the feed was issued before you try again.'}
          </p>
        )}
      </form>
      {issue.data && <Issued feed={issue.data} />}
    </section>
  );
}

/** The token, once: only its hash is kept. */
function Issued({ feed }: { feed: Schemas['IssuedFeed'] }) {
  return (
    <div className={styles.issued} role="status">
      <p>
        <b>
          {feed.label}, {feed.tail}.
        </b>{' '}
        Copy the token now; it is not shown again.
      </p>
      <dl>
        <dt>Address</dt>
        <dd>
          <code>
            POST {window.location.origin}/api/feeds/{feed.id}/samples
          </code>
        </dd>
        <dt>Header</dt>
        <dd>
          <code>Authorization: Bearer {feed.token}</code>
        </dd>
        <dt>Content</dt>
        <dd>
          <code>application/x-ndjson</code>, one reading a line
        </dd>
      </dl>
    </div>
  );
}

function Row({ feed }: { feed: Schemas['ListedFeed'] }) {
  const queries = useQueryClient();
  const [asking, setAsking] = useState(false);
  const revoke = useMutation({
    mutationFn: () => answered(api.DELETE('/api/feeds/{feedId}', { params: { path: { feedId: feed.id } } })),
    onSettled: () => {
      setAsking(false);
      void queries.invalidateQueries({ queryKey: ['feeds'] });
    },
  });
  return (
    <tr>
      <td>
        <b>{feed.label}</b>
        {feed.news && <small role="status">! {feed.news}</small>}
      </td>
      <td>{feed.tail}</td>
      <td>
        {feed.issuedAt.slice(0, 10)} {utc(feed.issuedAt)}
      </td>
      <td>
        {feed.revokedAt ? (
          <>
            Revoked {feed.revokedAt.slice(0, 10)} {utc(feed.revokedAt)}
          </>
        ) : asking ? (
          <div className={styles.asking}>
            Its token is refused from then on.{' '}
            <Button variant="filled" onClick={() => revoke.mutate()} loading={revoke.isPending}>
              Revoke
            </Button>{' '}
            <Button onClick={() => setAsking(false)}>Keep it</Button>
          </div>
        ) : (
          <div className={styles.asking}>
            Good{' '}
            <Button onClick={() => setAsking(true)} aria-label={`Revoke ${feed.label}`}>
              Revoke
            </Button>
          </div>
        )}
      </td>
    </tr>
  );
}
