import type { Schemas } from '../api/client';
import styles from './BesidePage.module.css';
import { cameTo, startWords } from './besideWords';

/** What a start can be laid beside: the band first, then one start after the other; the arrows go through them. */
export function OtherStarts({
  choices,
  engine,
  chosen,
  onChoose,
}: {
  choices: Schemas['OtherStart'][];
  engine: number | undefined;
  chosen: string;
  onChoose: (ref: string) => void;
}) {
  return (
    <fieldset className={styles.choices}>
      <legend>Beside</legend>
      <Way ref="" chosen={chosen} onChoose={onChoose} words="The last ten" said="good starts of this engine" />
      {choices.map((start) => (
        <Way
          key={start.ref}
          ref={start.ref}
          chosen={chosen}
          onChoose={onChoose}
          words={startWords(start, engine)}
          said={cameTo(start)}
        />
      ))}
    </fieldset>
  );
}

function Way({
  ref,
  chosen,
  onChoose,
  words,
  said,
}: {
  ref: string;
  chosen: string;
  onChoose: (ref: string) => void;
  words: string;
  said: string;
}) {
  return (
    <label className={styles.way} data-chosen={chosen === ref || undefined}>
      <input type="radio" name="beside" checked={chosen === ref} onChange={() => onChoose(ref)} />
      <span>
        {words}
        <small>{said}</small>
      </span>
    </label>
  );
}
