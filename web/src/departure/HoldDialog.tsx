import { DeskDialog } from '../ui/DeskDialog';
import { useDeparture, type Work } from '../live/departureContext';
import { ReasonForm } from '../ui/ReasonForm';

const REASONS = ['Fueller', 'Cabin crew', 'Ground crew', 'Clearance', 'Load sheet'];

/** Puts a procedure aside with a reason; it keeps its place. */
export function HoldDialog({
  work,
  at,
  opened,
  close,
}: {
  work: Work;
  at: string | undefined;
  opened: boolean;
  close: () => void;
}) {
  const { live } = useDeparture();
  return (
    <DeskDialog opened={opened} close={close} title={`Hold: ${work.text.title}`}>
      <ReasonForm
        presets={REASONS}
        label="What it waits for"
        submitLabel="Hold"
        submit={(reason) => {
          close();
          void live.ask({ ask: 'HOLD', procedure: work.text.id, reason, line: at });
        }}
      />
    </DeskDialog>
  );
}
