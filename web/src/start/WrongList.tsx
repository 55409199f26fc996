import { Button } from '@mantine/core';
import { useNavigate } from 'react-router';
import { useDeparture } from '../live/departureContext';
import { goLetters } from '../keys/goLetters';
import { Key } from '../ui/Key';
import styles from './StartDesk.module.css';

/** After a cut, the operator's list for it is one press away. */
export function WrongList() {
  const { page, works } = useDeparture();
  const navigate = useNavigate();
  const place = works.findIndex((work) => work.text.abnormal);
  const list = works[place];
  if (!list || list.view.state === 'DONE') return null;
  return (
    <Button
      className={styles.list}
      onClick={() => void navigate(`/departures/${page.id}/${list.text.id}`)}
      rightSection={
        <span className={styles.keys}>
          <Key name="G" /> <Key name={goLetters(works.map((work) => work.text.title))[place] ?? ''} />
        </span>
      }
    >
      Work the list: {list.text.title}
    </Button>
  );
}
