import { Button, NativeSelect, TextInput } from '@mantine/core';
import { type FormEvent, type KeyboardEvent, useRef, useState } from 'react';
import { useKeys } from '../keys/useKeys';
import { Key } from '../ui/Key';
import type { Entry, LineKind } from './LineKind';
import { ticking } from './tick';
import styles from './kind.module.css';

function Heard({ line, send }: Entry) {
  const { heard } = line.text.detail;
  const [values, setValues] = useState<Record<string, string>>({});
  const form = useRef<HTMLFormElement>(null);
  // Single letters stay the desk's keys until somebody wants to type.
  useKeys((key) => {
    const first = form.current?.querySelector<HTMLElement>('select, input');
    if (key !== 'Enter' || !first) return false;
    first.focus();
    return true;
  }, heard !== undefined);
  if (!heard || heard.values.length === 0 || line.view.state === 'RESPONDED') return null;
  const complete = heard.values.every((value) => (values[value.id] ?? '').trim() !== '');
  const enter = (event: FormEvent) => {
    event.preventDefault();
    if (complete) send({ ask: 'HEAR', line: line.text.ref, values });
  };
  const typed = (event: KeyboardEvent) => {
    const field = event.target as HTMLElement;
    if (event.key === 'Escape') field.blur();
    if (event.key !== 'Enter' || field.tagName !== 'SELECT') return;
    event.preventDefault();
    form.current?.requestSubmit();
  };
  const put = (id: string, text: string) => setValues((known) => ({ ...known, [id]: text }));
  return (
    <form ref={form} className={styles.heard} onSubmit={enter} onKeyDown={typed}>
      <p className={`small ${styles.across}`}>
        <Key name="Enter" /> to type them.
      </p>
      {heard.values.map((value) =>
        value.pick.length > 0 ? (
          <NativeSelect
            key={value.id}
            label={value.label}
            data={['', ...value.pick]}
            value={values[value.id] ?? ''}
            onChange={(event) => put(value.id, event.currentTarget.value)}
          />
        ) : (
          <TextInput
            key={value.id}
            label={value.unit ? `${value.label}, ${value.unit}` : value.label}
            placeholder={value.example}
            inputMode={value.min !== undefined || value.example ? 'decimal' : 'text'}
            value={values[value.id] ?? ''}
            onChange={(event) => put(value.id, event.currentTarget.value)}
          />
        ),
      )}
      <Button type="submit" variant="filled" disabled={!complete}>
        {heard.readBack ? 'Heard and read back' : 'Heard'}
      </Button>
    </form>
  );
}

/** Said to somebody outside, or heard and read back; the values are kept, the other pilot confirms the read-back. */
export const communication: LineKind = {
  key: ' ',
  main: (line, hands) => {
    if (line.view.state === 'RESPONDED')
      return line.view.answered?.by.id === hands.personId ? null : 'Confirm the read-back';
    return line.text.detail.heard?.values.length ? null : 'Said';
  },
  others: (line, hands) =>
    line.view.state === 'RESPONDED' && line.view.answered?.by.id === hands.personId
      ? `Read back. ${hands.otherName ?? 'The other pilot'} confirms.`
      : null,
  request: (line, _typing, hands) => {
    if (line.view.state === 'RESPONDED')
      return line.view.answered?.by.id === hands.personId ? null : { ask: 'CONFIRM', line: line.text.ref };
    return line.text.detail.heard?.values.length ? null : ticking(line, hands);
  },
  Entry: Heard,
  Outcome: ({ line }) => {
    const { heard } = line.view.work ?? {};
    if (!heard) return null;
    return (
      <dl className={styles.values}>
        {line.text.detail.heard?.values.map((value) => (
          <div key={value.id}>
            <dt>{value.label}</dt>
            <dd>
              {heard[value.id]} {value.unit}
            </dd>
          </div>
        ))}
      </dl>
    );
  },
  word: (line) => {
    const { heard } = line.view.work ?? {};
    return heard ? Object.values(heard).join(', ') : null;
  },
};
