import { Modal } from '@mantine/core';
import { useDeparture, type Work } from './departureContext';
import { ReasonForm } from './ReasonForm';

const REASONS = ['Fueller', 'Cabin crew', 'Ground crew', 'Clearance', 'Load sheet'];

/** Puts a procedure aside with a reason; it keeps its place. */
export function HoldDialog({ work, at, opened, close }: { work: Work; at: string | undefined; opened: boolean; close: () => void }) {
  const { live } = useDeparture();
  return (
    <Modal opened={opened} onClose={close} title={`Hold: ${work.text.title}`} closeButtonProps={{ 'aria-label': 'Close' }}>
      <ReasonForm presets={REASONS} label="What it waits for" submitLabel="Hold"
        submit={(reason) => { close(); void live.ask({ ask: 'HOLD', procedure: work.text.id, reason, line: at }); }} />
    </Modal>
  );
}
