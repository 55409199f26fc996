import { Button, NativeSelect, TextInput } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState, type FormEvent } from 'react';
import { answered, api, ProblemError, type Schemas } from '../api/client';
import { PageHead } from '../people/PageHead';
import { useSession } from '../people/useSession';
import { utc } from '../ui/time';
import table from '../trace/TracesPage.module.css';
import styles from './SchoolsPage.module.css';

type TypeSchools = Schemas['TypeSchools'];
type OptionSchools = Schemas['OptionSchools'];

/** Where schools differ: what the operator has chosen, what speaks for and against it, and who set it when. */
export function SchoolsPage() {
  const schools = useQuery({ queryKey: ['schools'], queryFn: () => answered(api.GET('/api/schools')), retry: false });
  const session = useSession();
  return (
    <div className={table.page}>
      <PageHead title="Schools" />
      <main>
        {schools.error && (
          <p role="alert" className={table.wrong}>
            The server does not answer. Reload the page to try again.
          </p>
        )}
        <p className={table.foot}>
          What is set here counts from the next departure on that is opened. One that is open keeps what it was opened
          with.
        </p>
        {schools.data?.map((type) => (
          <section key={type.typeId} aria-label={type.typeName}>
            <h2>
              {type.typeName} <small>{type.tails.join(', ')}</small>
            </h2>
            {type.options.length === 0 && <p className={table.empty}>Its procedures leave nothing to choose.</p>}
            <ul className={styles.options}>
              {type.options.map((option) => (
                <Option key={option.id} type={type} option={option} office={session.data?.standards === true} />
              ))}
            </ul>
            <History type={type} />
          </section>
        ))}
      </main>
    </div>
  );
}

/** One question: what counts, by tail where tails differ, with the reasons for each school. */
function Option({ type, option, office }: { type: TypeSchools; option: OptionSchools; office: boolean }) {
  const [setting, setSetting] = useState(false);
  const counts = Object.entries(option.byTail);
  const same = new Set(counts.map(([, school]) => school)).size === 1;
  const label = (id: string) => option.schools.find((school) => school.id === id)?.label ?? id;
  return (
    <li className={styles.option}>
      <div className={styles.question}>
        <b>{option.label}</b>
        <span>
          {same
            ? label(counts[0]?.[1] ?? option.document)
            : counts.map(([tail, school]) => `${tail}: ${label(school)}`).join('; ')}
        </span>
        {office && !setting && (
          <Button aria-label={`${option.label}: set`} onClick={() => setSetting(true)}>
            Set
          </Button>
        )}
      </div>
      <ul className={styles.reasons}>
        {option.schools.map((school) => (
          <li key={school.id}>
            <b>{school.label}</b>
            <span>For it: {school.because}</span>
            <span>Against it: {school.against}</span>
          </li>
        ))}
      </ul>
      {setting && <Setting type={type} option={option} close={() => setSetting(false)} />}
    </li>
  );
}

const EVERY = 'every tail';

function Setting({ type, option, close }: { type: TypeSchools; option: OptionSchools; close: () => void }) {
  const queries = useQueryClient();
  const [school, setSchool] = useState(option.document);
  const [tail, setTail] = useState(EVERY);
  const [why, setWhy] = useState('');
  const set = useMutation({
    mutationFn: () =>
      answered(
        api.POST('/api/schools', {
          body: {
            typeId: type.typeId,
            option: option.id,
            school,
            why: why.trim(),
            ...(tail === EVERY ? {} : { tail }),
          },
        }),
      ),
    onSuccess: () => {
      void queries.invalidateQueries({ queryKey: ['schools'] });
      close();
    },
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    set.mutate();
  };
  return (
    <form className={table.opening} onSubmit={submit} aria-label={`Set: ${option.label}`}>
      <NativeSelect
        label="School"
        value={school}
        onChange={(event) => setSchool(event.currentTarget.value)}
        data={option.schools.map((one) => ({ value: one.id, label: one.label }))}
      />
      <NativeSelect
        label="For"
        value={tail}
        onChange={(event) => setTail(event.currentTarget.value)}
        data={[EVERY, ...type.tails]}
      />
      <TextInput label="Why" value={why} maxLength={500} onChange={(event) => setWhy(event.currentTarget.value)} />
      <Button type="submit" variant="filled" disabled={why.trim() === ''} loading={set.isPending}>
        Set it
      </Button>
      <Button onClick={close}>Leave it</Button>
      {set.error && (
        <p role="alert" className={table.wrong}>
          {set.error instanceof ProblemError
            ? `${set.error.problem.detail} ${set.error.problem.todo}`
            : 'The server did not answer in time. Look whether it was set before you try again.'}
        </p>
      )}
    </form>
  );
}

function History({ type }: { type: TypeSchools }) {
  if (type.history.length === 0) return null;
  const option = (id: string) => type.options.find((one) => one.id === id);
  return (
    <details className={styles.history}>
      <summary>Set by the office, {type.history.length === 1 ? 'once' : `${type.history.length} times`}</summary>
      <ul>
        {type.history.map((set) => (
          <li key={set.id}>
            {set.at.slice(0, 10)} {utc(set.at)}, {set.by.name}: <b>{option(set.option)?.label ?? set.option}</b>,{' '}
            {option(set.option)?.schools.find((school) => school.id === set.school)?.label ?? set.school}, for{' '}
            {set.tail ?? EVERY}. {set.why}
          </li>
        ))}
      </ul>
    </details>
  );
}
