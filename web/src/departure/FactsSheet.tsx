import { Button, Modal, TextInput } from '@mantine/core';
import { useState } from 'react';
import { useKeyBlock } from '../keys/useKeys';
import { useDeparture } from '../live/departureContext';
import { utc } from '../ui/time';
import { shownUnit } from '../ui/units';
import { FactEntry, type Fact } from './FactEntry';
import styles from './FactsSheet.module.css';
import { giving, known } from './useFactOfLine';

/** What is known of the day, who told it and when; each can be told anew. */
export function FactsSheet({ opened, close }: { opened: boolean; close: () => void }) {
  const { live, state, mine } = useDeparture();
  useKeyBlock('sheet', opened);
  const [telling, setTelling] = useState<string | null>(null);
  const [typing, setTyping] = useState('');
  const leave = () => {
    setTelling(null);
    setTyping('');
    close();
  };
  const give = (fact: Fact) => (value: string | boolean) => {
    const request = giving(fact, value);
    if (!request) return;
    setTelling(null);
    setTyping('');
    void live.ask(request);
  };
  const open = mine !== null && state.view.lifecycle !== 'SIGNED' && state.view.lifecycle !== 'ABANDONED';
  return (
    <Modal opened={opened} onClose={leave} title="The day" size={560} transitionProps={{ duration: 0 }}>
      {state.view.facts.length === 0 && <p className="small">No line of these procedures depends on the day.</p>}
      <ul className={styles.facts}>
        {state.view.facts.map((fact) => (
          <li key={fact.id}>
            <div className={styles.fact}>
              <span>{fact.label}</span>
              <b>{known(fact, shownUnit(fact.unit)) ?? 'not known'}</b>
              <small>
                {[
                  fact.by && fact.at ? `${fact.by.name}, ${utc(fact.at, true)}` : null,
                  !fact.by && fact.number !== undefined ? 'the schedule' : null,
                  fact.decides > 0 ? `decides ${fact.decides} ${fact.decides === 1 ? 'line' : 'lines'}` : null,
                ]
                  .filter(Boolean)
                  .join('; ')}
              </small>
              {open && telling !== fact.id && (
                <Button
                  aria-label={`${fact.label}: tell`}
                  onClick={() => {
                    setTelling(fact.id);
                    setTyping('');
                  }}
                >
                  Tell
                </Button>
              )}
            </div>
            {open && telling === fact.id && (
              <FactEntry fact={fact} typing={typing} setTyping={setTyping} give={give(fact)} focus />
            )}
          </li>
        ))}
      </ul>
      {open && <Changed close={leave} />}
    </Modal>
  );
}

const CHANGES = [
  ['WEATHER', 'Weather'],
  ['LOAD', 'Load'],
  ['FUEL', 'Fuel'],
  ['RUNWAY', 'Runway'],
  ['CREW', 'Crew'],
] as const;

/** Something has changed late: what was done for it is done again. */
function Changed({ close }: { close: () => void }) {
  const { live } = useDeparture();
  const [words, setWords] = useState('');
  return (
    <fieldset className={styles.changed}>
      <legend>Something has changed late</legend>
      <TextInput
        label="What"
        placeholder="Runway 07 instead of 25"
        maxLength={300}
        value={words}
        onChange={(event) => setWords(event.currentTarget.value)}
      />
      <div className={styles.changes}>
        {CHANGES.map(([change, label]) => (
          <Button
            key={change}
            disabled={words.trim() === ''}
            onClick={() => {
              void live.ask({ ask: 'REPORT_CHANGE', change, words });
              setWords('');
              close();
            }}
          >
            {label}
          </Button>
        ))}
      </div>
    </fieldset>
  );
}
