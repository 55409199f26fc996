import { Modal } from '@mantine/core';
import { useKeyBlock } from '../keys/useKeys';
import { useDeparture, type Work } from '../live/departureContext';
import styles from './AbnormalSheet.module.css';

const KEYS = '1234567890ABCDEF';

/** The lists for what goes wrong, each one press away from anywhere. */
export function abnormalLists(works: Work[]): { work: Work; key: string }[] {
  return works
    .filter((work) => work.text.occasion === 'ABNORMAL')
    .map((work, index) => ({ work, key: KEYS[index] ?? '' }));
}

export function AbnormalSheet({
  opened,
  close,
  go,
}: {
  opened: boolean;
  close: () => void;
  go: (procedure: string) => void;
}) {
  const { works } = useDeparture();
  const lists = abnormalLists(works);
  useKeyBlock('sheet', opened);
  return (
    <Modal
      opened={opened}
      onClose={close}
      title="Something is wrong"
      size={760}
      transitionProps={{ duration: 0 }}
      onKeyDown={(event) => {
        const list = lists.find((one) => one.key === event.key.toUpperCase());
        if (list) {
          event.preventDefault();
          go(list.work.text.id);
        }
      }}
    >
      <ul className={styles.lists}>
        {lists.map(({ work, key }) => (
          <li key={work.text.id}>
            <button type="button" className={styles.list} onClick={() => go(work.text.id)}>
              <kbd className={styles.key}>{key}</kbd>
              <span>
                <b>{work.text.title}</b>
                <small>
                  {work.view.state === 'NOT_NEEDED' ? work.text.how : `${work.view.done} of ${work.view.total}`}
                </small>
              </span>
            </button>
          </li>
        ))}
      </ul>
      <p className="small">The approved manual has the last word. Who flies keeps flying; the other works the list.</p>
    </Modal>
  );
}
