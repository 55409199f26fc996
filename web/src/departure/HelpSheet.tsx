import { lettersToGo } from './work';
import { Modal, Switch } from '@mantine/core';
import { useState } from 'react';
import { Key } from '../ui/Key';
import { ThemeSwitch } from '../ui/ThemeSwitch';
import { useDeparture } from '../live/departureContext';
import styles from './HelpSheet.module.css';
import { lettersOff, setLettersOff, useKeyBlock } from '../keys/useKeys';

const KEYS: [string, string][] = [
  ['Space', 'answer the line, or go on'],
  ['Enter', 'enter a value; acknowledge a caution'],
  ['0–9', 'type a measurement'],
  ['↑ ↓', 'look back and ahead'],
  ['D', 'record a deviation'],
  ['H', 'hold with a reason'],
  ['L', 'done earlier'],
  ['A', 'do once more what may be repeated'],
  ['U', 'take back'],
  ['1–9', 'answer a decision; a start by taps: tell a rung'],
  ['R', 'send again what was set aside'],
  ['Y N', 'answer a question'],
  ['O X', 'fuel is off, starter is off'],
  ['W', 'say what is wrong'],
  ['⌫', 'take the newest tap back'],
  ['C', 'clocks'],
  ['Q', 'something is wrong: the lists for it'],
  ['B', 'back to the place before'],
  ['F', 'walk-around: a finding'],
  ['N', 'control check: not right, again'],
  ['S', 'seats and roles'],
  ['V', 'the day, and what it decides'],
  ['K', 'sources and buses: who carries what'],
  ['P', 'the APU'],
  ['I', 'the inertial units'],
  ['Z', 'tones silent, or heard again'],
  ['/', 'find a line'],
  ['?', 'this sheet'],
  ['Esc', 'step out'],
];

/** Every key in one sheet, and the switch for single letters. */
export function HelpSheet({ opened, close }: { opened: boolean; close: () => void }) {
  const works = useDeparture().works.filter((work) => work.text.occasion !== 'ABNORMAL');
  useKeyBlock('sheet', opened);
  const [off, setOff] = useState(lettersOff);
  const letters = lettersToGo(works);
  const choose = (next: boolean) => {
    setLettersOff(next);
    setOff(next);
  };
  return (
    <Modal opened={opened} onClose={close} title="Keys" size={880}>
      <div className={styles.columns}>
        <dl className={`${styles.keys} ${styles.wide}`}>
          {KEYS.map(([key, does]) => (
            <div key={key}>
              <dt>
                <Key name={key} />
                <span className="unseen">{key}</span>
              </dt>
              <dd>{does}</dd>
            </div>
          ))}
        </dl>
        <dl className={styles.keys}>
          <div>
            <dt>
              <Key name="G" /> <Key name="T" />
            </dt>
            <dd>Today</dd>
          </div>
          {works.map((work) => (
            <div key={work.text.id}>
              <dt>
                <Key name="G" /> <Key name={letters.get(work.text.id) ?? ''} />
              </dt>
              <dd>{work.text.title}</dd>
            </div>
          ))}
        </dl>
      </div>
      <div className={styles.light}>
        <span>Light</span>
        <ThemeSwitch />
      </div>
      <Switch
        label="Single letters are keys"
        checked={!off}
        onChange={(event) => choose(!event.currentTarget.checked)}
      />
    </Modal>
  );
}
