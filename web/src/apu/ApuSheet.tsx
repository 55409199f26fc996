import { Modal } from '@mantine/core';
import { ApuDesk } from './ApuDesk';

/** The APU over whatever desk is worked; its keys are its own while it is up. */
export function ApuSheet({ opened, close }: { opened: boolean; close: () => void }) {
  return (
    <Modal opened={opened} onClose={close} title="APU" size={1060} transitionProps={{ duration: 0 }}>
      <ApuDesk />
    </Modal>
  );
}
