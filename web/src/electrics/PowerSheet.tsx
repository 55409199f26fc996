import { Modal } from '@mantine/core';
import { PowerDesk } from './PowerDesk';

/** The electrics over whatever desk is worked. */
export function PowerSheet({ opened, close }: { opened: boolean; close: () => void }) {
  return (
    <Modal opened={opened} onClose={close} title="Sources and buses" size={1060} transitionProps={{ duration: 0 }}>
      <PowerDesk />
    </Modal>
  );
}
