import { Button } from '@mantine/core';
import { DeskDialog } from '../ui/DeskDialog';
import { useDeparture, type WorkLine } from '../live/departureContext';
import { ReasonForm } from '../ui/ReasonForm';

/** Takes back what stands on a line: one's own freely, another's with a reason. */
export function UndoDialog({ line, opened, close }: { line: WorkLine; opened: boolean; close: () => void }) {
  const { live, person } = useDeparture();
  const { view } = line;
  const by = view.deviation?.mark.by ?? view.confirmed?.by ?? view.reading?.mark.by ?? view.answered?.by;
  const undo = (reason?: string) => {
    close();
    void live.ask({ ask: 'UNDO', line: line.text.ref, reason: reason || undefined });
  };
  return (
    <DeskDialog opened={opened} close={close} title={`Take back: ${line.text.label}`}>
      <p style={{ marginBottom: 12 }}>
        The line opens again. Clocks it started stop, and lines that were answered behind it open again too. Both stay
        on the record.
      </p>
      {by?.id === person.id ? (
        <Button variant="filled" data-autofocus onClick={() => undo()}>
          Take back
        </Button>
      ) : (
        <ReasonForm
          presets={[]}
          label={`Why you take back the answer of ${by?.name ?? 'your colleague'}`}
          submitLabel="Take back"
          submit={undo}
        />
      )}
    </DeskDialog>
  );
}
