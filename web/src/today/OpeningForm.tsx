import { Button, NativeSelect, TextInput } from '@mantine/core';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState, type FormEvent } from 'react';
import { useNavigate } from 'react-router';
import { answered, api, newId, NoLinkError, ProblemError, type Problem, type Schemas } from '../api/client';
import { serverClock } from '../live/useServerNow';
import styles from './TodayPage.module.css';

const MINUTE_MS = 60_000;
const RETRY_MS = 1000;
const TRIES = 4;

/** What is wrong, field by field. */
function said(problem: Problem): string {
  return `${problem.detail} ${problem.violations.map((one) => `${one.field} ${one.message}`).join('; ')}`;
}

/**
 * Opens a departure: on the line, or as a rehearsal on the simulated aircraft. Which of the two it is never changes
 * afterwards.
 */
export function OpeningForm() {
  const navigate = useNavigate();
  const choices = useQuery({
    queryKey: ['openings'],
    queryFn: () => answered(api.GET('/api/openings')),
    staleTime: Number.POSITIVE_INFINITY,
    refetchInterval: (query) => (query.state.error instanceof NoLinkError ? 2 * RETRY_MS : false),
  });
  const [kind, setKind] = useState<'REHEARSAL' | 'LINE'>('REHEARSAL');
  const [tail, setTail] = useState('');
  const [from, setFrom] = useState('');
  const [to, setTo] = useState('');
  const [flight, setFlight] = useState('R1');
  const [stand, setStand] = useState('4');
  const [minutes, setMinutes] = useState('60');
  const tails = choices.data?.tails ?? [];
  const fields = choices.data?.fields ?? [];
  const leaves = from || (fields[0] ?? '');
  const arrives = to || (fields.find((field) => field !== leaves) ?? '');
  const open = useMutation({
    mutationFn: (body: Schemas['OpeningRequest']) => answered(api.POST('/api/openings', { body })),
    // Under its own id the same request opens nothing twice, however often it is sent.
    retry: (failures, failure) => failure instanceof NoLinkError && failures < TRIES,
    retryDelay: RETRY_MS,
    onSuccess: (opened) => void navigate(`/departures/${opened.id}`),
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    open.mutate({
      id: newId(),
      kind,
      tail: tail || (tails[0] ?? ''),
      flight,
      from: leaves,
      to: arrives,
      stand,
      offBlock: new Date(serverClock.now() + Number(minutes) * MINUTE_MS).toISOString(),
    });
  };
  if (tails.length === 0) return null;
  return (
    <form className={styles.opening} onSubmit={submit} aria-label="Open a departure">
      <h2>Open a departure</h2>
      <NativeSelect
        label="As"
        value={kind}
        onChange={(event) => setKind(event.currentTarget.value as 'REHEARSAL' | 'LINE')}
        data={[
          { value: 'REHEARSAL', label: 'Rehearsal' },
          { value: 'LINE', label: 'Line departure' },
        ]}
      />
      <NativeSelect
        label="Aircraft"
        value={tail || tails[0]}
        onChange={(event) => setTail(event.currentTarget.value)}
        data={tails}
      />
      <NativeSelect
        label="From"
        value={leaves}
        onChange={(event) => setFrom(event.currentTarget.value)}
        data={fields}
      />
      <NativeSelect label="To" value={arrives} onChange={(event) => setTo(event.currentTarget.value)} data={fields} />
      <TextInput
        label="Stand"
        w={70}
        value={stand}
        maxLength={8}
        onChange={(event) => setStand(event.currentTarget.value)}
        required
        withAsterisk={false}
      />
      <TextInput
        label="Flight"
        w={80}
        value={flight}
        maxLength={12}
        onChange={(event) => setFlight(event.currentTarget.value)}
        required
        withAsterisk={false}
      />
      <NativeSelect
        label="Off-block in"
        value={minutes}
        onChange={(event) => setMinutes(event.currentTarget.value)}
        data={['30', '45', '60', '90', '120'].map((value) => ({ value, label: `${value} min` }))}
      />
      <Button type="submit" variant="filled" loading={open.isPending}>
        Open
      </Button>
      {open.isPending && open.failureCount > 0 && (
        <p role="status" className="small">
          The server did not answer in time. It is asked again; nothing is opened twice.
        </p>
      )}
      {open.error && (
        <p role="alert" className={styles.wrong}>
          {open.error instanceof ProblemError
            ? said(open.error.problem)
            : 'The server did not answer in time. Look above whether the departure was opened before you try again.'}
        </p>
      )}
      <p className="small">A rehearsal runs on the simulated aircraft and never enters an engine’s history.</p>
    </form>
  );
}
