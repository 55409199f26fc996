import { Button } from '@mantine/core';
import { Link } from 'react-router';
import { useSession, useSignOut } from './useSession';
import styles from './PageHead.module.css';
import { ThemeSwitch } from '../ui/ThemeSwitch';

/**
 * The head of the pages that belong to no departure: where one is, where else one can go, and who one is. `children`:
 * what the page adds.
 */
export function PageHead({ title, children }: { title: string; children?: React.ReactNode }) {
  const session = useSession();
  const signOut = useSignOut();
  const person = session.data?.person;
  const places = [
    ['/', 'Today'],
    ['/logbook', 'Logbook'],
    ['/traces', 'Traces'],
    ['/schools', 'Schools'],
    ...(session.data?.administrator ? [['/feeds', 'Feeds']] : []),
  ];
  const named = places.some(([, words]) => words === title);
  return (
    <header className={styles.head}>
      <Link to="/" className={styles.brand}>
        Skelda
      </Link>
      <h1 className={named ? 'unseen' : undefined}>{title}</h1>
      <nav className={styles.places} aria-label="Pages">
        {places.map(([to, words]) => (
          <Link key={to} to={to ?? '/'} aria-current={words === title ? 'page' : undefined}>
            {words}
          </Link>
        ))}
      </nav>
      {children}
      {person && (
        <span className={styles.person}>
          <b>{person.name}</b>
          <small>{person.duty}</small>
        </span>
      )}
      <Button onClick={() => signOut.mutate()}>Sign out</Button>
      <ThemeSwitch />
    </header>
  );
}
