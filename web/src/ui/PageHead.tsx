import { Link } from 'react-router';
import { useSession } from '../people/useSession';
import styles from './PageHead.module.css';
import { ThemeSwitch } from './ThemeSwitch';

/** The head of the pages that belong to no departure: where one is, and where else one can go. */
export function PageHead({ title, children }: { title: string; children?: React.ReactNode }) {
  const session = useSession();
  const places = [['/', 'Today'], ['/logbook', 'Logbook'], ['/traces', 'Traces'], ...(session.data?.administrator ? [['/feeds', 'Feeds']] : [])];
  return (
    <header className={styles.head}>
      <Link to="/" className={styles.brand}>Skelda</Link>
      <h1>{title}</h1>
      <nav className={styles.places} aria-label="Pages">
        {places.map(([to, words]) => (
          <Link key={to} to={to ?? '/'} aria-current={words === title ? 'page' : undefined}>{words}</Link>
        ))}
      </nav>
      {children}
      <ThemeSwitch />
    </header>
  );
}
