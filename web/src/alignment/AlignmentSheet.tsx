import { Modal } from '@mantine/core';
import { AlignmentDesk } from './AlignmentDesk';

/** The inertial units over whatever desk is worked; its keys are its own while it is up. */
export function AlignmentSheet({ opened, close }: { opened: boolean; close: () => void }) {
  return (
    <Modal opened={opened} onClose={close} title="Inertial units" size={1060} transitionProps={{ duration: 0 }}>
      <AlignmentDesk />
    </Modal>
  );
}
