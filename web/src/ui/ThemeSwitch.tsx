import { memo, useId } from 'react';
import { THEMES, useTheme } from '../theme/useTheme';
import styles from './ThemeSwitch.module.css';

const LABELS = { day: 'Day', dusk: 'Dusk', night: 'Night' } as const;

/** After a touch the keys belong to the page again; someone on the keyboard keeps the focus. */
function handBack(): void {
  requestAnimationFrame(() => {
    if (document.activeElement instanceof HTMLInputElement) document.activeElement.blur();
  });
}

/** Day, dusk or night. It stands in the ribbon, beside clocks that are drawn four times a second. */
export const ThemeSwitch = memo(function ThemeSwitch() {
  const [theme, setTheme] = useTheme();
  const group = useId();
  return (
    <div role="radiogroup" aria-label="Light" className={styles.switch}>
      {THEMES.map((name) => (
        <label key={name} className={styles.choice} onPointerUp={handBack} data-chosen={name === theme || undefined}>
          <input
            type="radio"
            name={group}
            className={styles.radio}
            checked={name === theme}
            onChange={() => setTheme(name)}
          />
          {LABELS[name]}
        </label>
      ))}
    </div>
  );
});
