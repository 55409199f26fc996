import type { ReactNode } from 'react';
import styles from './PlainPage.module.css';

/** A page that is only a heading and a few words. */
export function PlainPage({ title, children }: { title: string; children: ReactNode }) {
  return (
    <main className={styles.page}>
      <h1>{title}</h1>
      {children}
    </main>
  );
}
