import { Button } from '@mantine/core';
import { useState } from 'react';
import { DeskDialog } from '../ui/DeskDialog';
import { useDeparture, type WorkLine } from '../live/departureContext';
import { ReasonForm } from '../ui/ReasonForm';

const REASONS = ['Not fitted', 'Unserviceable, in the technical log', 'Done in another way'];

/** Goes on without a line as written. Where its closed gate guards someone or something, a second step names it. */
export function DeviationDialog({
  line,
  opened,
  close,
  done,
}: {
  line: WorkLine;
  opened: boolean;
  close: () => void;
  done: () => void;
}) {
  const { live } = useDeparture();
  const [reason, setReason] = useState<string | null>(null);
  const guards = line.view.gate?.guards;
  const name = line.text.ref.split('/')[1] ?? '';
  const leave = () => {
    setReason(null);
    close();
  };
  const send = (why: string, overrides?: string) => {
    leave();
    void live.ask({ ask: 'DEVIATE', line: line.text.ref, reason: why, overrides }).then((accepted) => {
      if (accepted) done();
    });
  };
  return (
    <DeskDialog opened={opened} close={leave} title={`Deviation: ${line.text.label}`}>
      {reason !== null && guards ? (
        <>
          <p>
            <b>⚠ Going on now can harm {guards}.</b>
          </p>
          <p style={{ margin: '10px 0' }}>
            The gate is still closed. Your name, the reason and the override go on the record. The approved manuals have
            the last word.
          </p>
          <Button
            color="red"
            variant="outline"
            onClick={() => send(reason, name)}
            style={{ borderColor: 'var(--warn)', color: 'var(--warn)' }}
          >
            Override “{line.text.label}”
          </Button>{' '}
          <Button onClick={leave}>Wait for the gate</Button>
        </>
      ) : (
        <ReasonForm
          presets={REASONS}
          label="Why it is not done as written"
          submitLabel={guards ? 'Next: the gate' : 'Record the deviation'}
          submit={(why) => (guards ? setReason(why) : send(why))}
        />
      )}
    </DeskDialog>
  );
}
