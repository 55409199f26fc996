import { Button, Textarea } from '@mantine/core';
import { type FormEvent, useState } from 'react';
import styles from './ReasonForm.module.css';

/**
 * A reason in a few words, chosen or typed, and the button that uses it. `presets` may be empty; `optional` allows
 * none.
 */
export function ReasonForm({
  presets,
  label,
  submitLabel,
  submit,
  optional = false,
}: {
  presets: string[];
  label: string;
  submitLabel: string;
  submit: (reason: string) => void;
  optional?: boolean;
}) {
  const [reason, setReason] = useState('');
  const send = (event: FormEvent) => {
    event.preventDefault();
    if (optional || reason.trim()) submit(reason.trim());
  };
  return (
    <form onSubmit={send} className={styles.form}>
      {presets.length > 0 && (
        <div className={styles.presets}>
          {presets.map((preset) => (
            <Button key={preset} onClick={() => submit(preset)}>
              {preset}
            </Button>
          ))}
        </div>
      )}
      <Textarea
        label={label}
        data-autofocus
        autosize
        minRows={2}
        maxLength={500}
        value={reason}
        onChange={(event) => setReason(event.currentTarget.value)}
        onKeyDown={(event) => {
          if (event.key === 'Enter' && !event.shiftKey) {
            event.preventDefault();
            send(event);
          }
        }}
      />
      <Button type="submit" variant="filled" disabled={!optional && reason.trim() === ''}>
        {submitLabel}
      </Button>
    </form>
  );
}
