import styles from './Key.module.css';

/** A key's cap beside the control it answers. `name` is what stands on it. */
export function Key({ name }: { name: string }) {
  return (
    <kbd className={styles.key} aria-hidden="true">
      {name}
    </kbd>
  );
}
