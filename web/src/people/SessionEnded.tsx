import { Button, Modal, PasswordInput } from '@mantine/core';
import { type FormEvent, useState } from 'react';
import { ProblemError, type Schemas } from '../api/client';
import { useKeyBlock } from '../keys/useKeys';
import styles from './SignInPage.module.css';
import { lastAccount, useSignIn } from './useSession';

/**
 * The session has ended under somebody's hands: the password is asked on the spot, and the page behind it stays as it
 * is.
 */
export function SessionEnded({ person }: { person: Schemas['CrewMember'] }) {
  const signIn = useSignIn();
  const [password, setPassword] = useState('');
  const account = lastAccount();
  useKeyBlock('sheet', true);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (account) signIn.mutate({ account, password });
  };
  const problem = signIn.error instanceof ProblemError ? signIn.error.problem : null;
  return (
    <Modal
      opened
      onClose={() => undefined}
      withCloseButton={false}
      closeOnEscape={false}
      closeOnClickOutside={false}
      title="Your session has ended"
    >
      <form onSubmit={submit} className={styles.form}>
        <p>
          The page behind this is kept as it was. What you sent and what is not acknowledged yet is sent again once you
          have signed in.
        </p>
        {account && (
          <PasswordInput
            label={`Password of ${person.name}`}
            autoComplete="current-password"
            value={password}
            onChange={(event) => setPassword(event.currentTarget.value)}
            data-autofocus
          />
        )}
        {signIn.isError && (
          <p role="alert" className={styles.wrong}>
            {problem ? `${problem.detail} ${problem.todo}` : 'The server did not answer; try again.'}
          </p>
        )}
        {account && (
          <Button type="submit" variant="filled" loading={signIn.isPending} disabled={password === ''}>
            Sign in again
          </Button>
        )}
        <Button onClick={() => window.location.assign('/')}>Sign in as somebody else</Button>
      </form>
    </Modal>
  );
}
