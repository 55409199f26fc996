import { inWords, isoDuration, utc } from '../ui/time';
import { margin, type ApuSheet, type ApuView } from './apuWords';
import styles from './ApuDesk.module.css';

/** What is to be known beside it: loads, fuel, what was hot, what was early. */
export function ApuNotes({ apu, sheet }: { apu: ApuView; sheet: ApuSheet | null }) {
  const notes = [
    apu.generator && apu.sole ? 'Its generator alone carries the buses: they go dark when it stops.' : null,
    apu.generator && apu.sole === false ? 'Its generator carries; another source is there.' : null,
    apu.bleed ? 'It gives air.' : null,
    apu.burnt_kg >= 0.5
      ? `It has burnt ${apu.burnt_kg.toFixed(apu.burnt_kg < 10 ? 1 : 0)} kg in ${inWords(isoDuration(apu.burning))}.`
      : null,
    apu.lasts ? `The fuel read in its tank lasts ${inWords(isoDuration(apu.lasts))}.` : null,
    apu.triesLeft > 0 && apu.restedAt ? `${apu.triesLeft} starts left before the long rest.` : null,
    ...apu.peaks.map(
      (peak) =>
        `Highest ${peak.starting ? 'in its start' : 'while it ran'}: ${Math.round(peak.peak_C)} °C` +
        (peak.seenFrom ? ` (seen from ${utc(peak.seenFrom, true)} on only)` : '') +
        (sheet ? `, ${margin(sheet, peak.starting, peak.peak_C)} (${sheet.source}).` : '.'),
    ),
  ].filter((note) => note !== null);
  return (
    <>
      {apu.hot.map((hot) => (
        <p key={`${hot.limit_C} ${hot.at}`} className={styles.hot}>
          Above {hot.limit_C} °C
          {isoDuration(hot.allowed) > 0 ? ` for longer than ${inWords(isoDuration(hot.allowed))}` : ''} at{' '}
          {utc(hot.at, true)}. Write it for maintenance.
        </p>
      ))}
      {apu.early.map((early) => (
        <p key={early.at} className={styles.hot}>
          {early.words} at {utc(early.at, true)}, too early: {early.warning}
        </p>
      ))}
      {notes.length > 0 && <p className={styles.notes}>{notes.join(' ')}</p>}
    </>
  );
}
