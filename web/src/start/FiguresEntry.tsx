import { Button } from '@mantine/core';
import { useState } from 'react';
import { useDeparture } from '../live/departureContext';
import { MeasureEntry } from '../ui/MeasureEntry';
import { useKeys } from '../keys/useKeys';
import { parsed, typed } from '../ui/number';

/**
 * What was read off the gauges, typed after a start that nothing read: the peak, and the dip of an electric one.
 * `folded`: other things come first.
 */
export function FiguresEntry({ engine, folded }: { engine: number; folded: boolean }) {
  const { live, state } = useDeparture();
  const [typing, setTyping] = useState('');
  const [opened, setOpened] = useState(!folded);
  const summary = state.view.starts.filter((start) => start.engine === engine).at(-1)?.summary;
  const figure =
    summary?.peak_c === undefined
      ? { label: 'Peak temperature', unit: '°C', key: 'peak_c' as const }
      : state.sheet?.electric && summary.dip_v === undefined
        ? { label: 'Lowest volts', unit: 'V', key: 'dip_v' as const }
        : null;
  const enter = () => {
    const value = parsed(typing);
    if (value === null || !figure) return;
    void live.ask({ ask: 'TYPE_FIGURES', engine, [figure.key]: value }).then((accepted) => {
      if (accepted) setTyping('');
    });
  };
  useKeys(
    (key) => {
      if (/^[0-9.,]$/.test(key)) {
        setTyping(typed(typing, key));
        return true;
      }
      if (key === 'Backspace' && typing !== '') {
        setTyping(typing.slice(0, -1));
        return true;
      }
      if (key === 'Enter' && typing !== '') {
        enter();
        return true;
      }
      return false;
    },
    figure !== null,
    'entry',
  );
  if (!summary || !figure) return null;
  if (!opened && typing === '') return <Button onClick={() => setOpened(true)}>{figure.label}: type it</Button>;
  return (
    <MeasureEntry
      label={figure.label}
      unit={figure.unit}
      hint={`${figure.label}, as the gauge showed it.`}
      typing={typing}
      setTyping={setTyping}
      enter={enter}
    />
  );
}
