import { Modal } from '@mantine/core';
import type { ReactNode } from 'react';
import { useKeyBlock } from '../keys/useKeys';

/** Which dialog of a line's desk is open. */
export type Dialog = 'deviation' | 'hold' | 'late' | 'undo' | null;

/** A dialog of the desk; when it closes, the desk itself takes the focus back. */
export function DeskDialog({
  title,
  opened,
  close,
  children,
}: {
  title: string;
  opened: boolean;
  close: () => void;
  children: ReactNode;
}) {
  useKeyBlock('dialog', opened);
  return (
    // It is there, and gone, at once: a key that follows quickly must not fall between it and the desk.
    <Modal opened={opened} onClose={close} title={title} returnFocus={false} transitionProps={{ duration: 0 }}>
      {children}
    </Modal>
  );
}
