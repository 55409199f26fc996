import { Button } from '@mantine/core';
import { useState } from 'react';
import { DeskDialog } from './DeskDialog';
import { ReasonForm } from './ReasonForm';
import styles from './TakeBack.module.css';

/** Takes back what was told last: one's own word at once, a colleague's with a reason. */
export function TakeBack({
  words,
  own,
  takeBack,
}: {
  words: string;
  /** Whether it is the word of the one who is at this page. */
  own: boolean;
  takeBack: (reason?: string) => void;
}) {
  const [asking, setAsking] = useState(false);
  const title = `Take back: ${words}`;
  return (
    <>
      <Button
        classNames={{ root: styles.back, label: styles.words }}
        onClick={() => (own ? takeBack() : setAsking(true))}
      >
        {title}
      </Button>
      <DeskDialog opened={asking} close={() => setAsking(false)} title={title}>
        <ReasonForm
          presets={[]}
          label="Why you take back your colleague's word"
          submitLabel="Take back"
          submit={(reason) => {
            setAsking(false);
            takeBack(reason);
          }}
        />
      </DeskDialog>
    </>
  );
}
