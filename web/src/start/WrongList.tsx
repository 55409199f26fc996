import { Button } from '@mantine/core';
import { useNavigate } from 'react-router';
import { useDeparture } from '../live/departureContext';
import { Key } from '../ui/Key';
import styles from './StartDesk.module.css';

/** After a cut, the operator's list for it is one press away. */
export function WrongList() {
  const { page, works } = useDeparture();
  const navigate = useNavigate();
  const list = works.find((work) => work.text.occasion === 'ABNORMAL');
  if (!list || list.view.state === 'DONE') return null;
  return (
    <Button
      className={styles.list}
      onClick={() => void navigate(`/departures/${page.id}/${list.text.id}`)}
      rightSection={
        <span className={styles.keys}>
          <Key name="Q" /> <Key name="1" />
        </span>
      }
    >
      Work the list: {list.text.title}
    </Button>
  );
}
