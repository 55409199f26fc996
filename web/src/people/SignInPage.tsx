import { Button, PasswordInput, TextInput } from '@mantine/core';
import { type FormEvent, useState } from 'react';
import { ProblemError, type SessionInfo } from '../api/client';
import { ThemeSwitch } from '../ui/ThemeSwitch';
import styles from './SignInPage.module.css';
import { useSignIn } from './useSession';

/** Signing in; in the demo also with one press as one of its made-up crew. */
export function SignInPage({ session }: { session: SessionInfo }) {
  const signIn = useSignIn();
  const [account, setAccount] = useState('');
  const [password, setPassword] = useState('');
  const submit = (event: FormEvent) => {
    event.preventDefault();
    signIn.mutate({ account, password });
  };
  const problem = signIn.error instanceof ProblemError ? signIn.error.problem : null;
  return (
    <main className={styles.page}>
      <header className={styles.head}>
        <h1>Skelda</h1>
        <ThemeSwitch />
      </header>
      <p className={styles.lead}>From a cold aircraft to engines running, against your operator’s own procedures.</p>
      <div className={styles.columns}>
        <form onSubmit={submit} className={styles.form}>
          <h2>Sign in</h2>
          <TextInput
            label="Name"
            autoComplete="username"
            value={account}
            onChange={(e) => setAccount(e.currentTarget.value)}
            required
            withAsterisk={false}
            autoFocus
          />
          <PasswordInput
            label="Password"
            autoComplete="current-password"
            value={password}
            onChange={(e) => setPassword(e.currentTarget.value)}
            required
            withAsterisk={false}
          />
          {signIn.isError && (
            <p role="alert" className={styles.wrong}>
              {problem ? `${problem.detail} ${problem.todo}` : 'The server did not answer; try again.'}
            </p>
          )}
          <Button type="submit" variant="filled" loading={signIn.isPending}>
            Sign in
          </Button>
        </form>
        {session.demo && (
          <section className={styles.demo} aria-labelledby="demo-crew">
            <h2 id="demo-crew">Demo crew</h2>
            <ul className={styles.crew}>
              {session.demo.crew.map((member) => (
                <li key={member.account}>
                  <Button
                    fullWidth
                    justify="space-between"
                    rightSection={<span className="small">{member.duty}</span>}
                    onClick={() => signIn.mutate({ account: member.account, password: session.demo?.password ?? '' })}
                  >
                    {member.name}
                  </Button>
                </li>
              ))}
            </ul>
            <p className="small">
              All made up. Their password, asked again for signing: <b>{session.demo.password}</b>
            </p>
          </section>
        )}
      </div>
      <p className={styles.foot}>
        Skelda is an aid. The approved manuals, the operator’s procedures and the licensed crew have the last word.
      </p>
    </main>
  );
}
