import { Modal, TextInput } from '@mantine/core';
import { useState } from 'react';
import { useDeparture } from '../live/departureContext';
import styles from './FindLine.module.css';
import { useKeyBlock } from '../keys/useKeys';
import { found } from './work';

const SHOWN = 12;

/** Finds any line by its words and goes to it. */
export function FindLine({
  opened,
  close,
  go,
}: {
  opened: boolean;
  close: () => void;
  go: (procedure: string, line: string) => void;
}) {
  const { works } = useDeparture();
  useKeyBlock('sheet', opened);
  const [search, setSearch] = useState('');
  const hits = found(works, search).slice(0, SHOWN);
  const leave = () => {
    setSearch('');
    close();
  };
  const choose = (procedure: string, line: string) => {
    setSearch('');
    go(procedure, line);
  };
  return (
    <Modal opened={opened} onClose={leave} title="Find a line">
      <TextInput
        data-autofocus
        aria-label="Words of the line"
        placeholder="outflow"
        value={search}
        onChange={(event) => setSearch(event.currentTarget.value)}
        onKeyDown={(event) => {
          const first = hits[0];
          if (event.key === 'Enter' && first) choose(first.work.text.id, first.line.text.ref);
        }}
      />
      <ul className={styles.hits}>
        {hits.map(({ work, line }) => (
          <li key={line.text.ref}>
            <button type="button" className={styles.hit} onClick={() => choose(work.text.id, line.text.ref)}>
              <b>{line.text.label}</b> {line.text.expects}
              <small>{work.text.title}</small>
            </button>
          </li>
        ))}
      </ul>
      {search.trim() !== '' && hits.length === 0 && <p className="small">No line has these words.</p>}
    </Modal>
  );
}
