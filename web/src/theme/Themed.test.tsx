import { act, cleanup, render } from '@testing-library/react';
import { afterEach, beforeEach, expect, test } from 'vitest';
import { Themed } from './Themed';
import { useTheme, type ThemeName } from './useTheme';

let change: (next: ThemeName) => void = () => {};

function Asker({ count }: { count: number }) {
  const [theme, setTheme] = useTheme();
  change = setTheme;
  return (
    <p>
      {theme}, {count}
    </p>
  );
}

beforeEach(() => localStorage.clear());
afterEach(cleanup);

test('what is drawn again and again leaves the theme as it is', () => {
  const { rerender } = render(
    <Themed>
      <Asker count={0} />
    </Themed>,
  );
  const seen = new MutationObserver(() => {});
  seen.observe(document, {
    subtree: true,
    attributes: true,
    childList: true,
    attributeFilter: ['data-theme', 'data-mantine-color-scheme'],
  });
  for (let count = 1; count < 20; count++)
    rerender(
      <Themed>
        <Asker count={count} />
      </Themed>,
    );
  const touched = seen.takeRecords().filter((one) => one.type === 'attributes' || one.target === document.head);
  expect(touched).toHaveLength(0);
});

test('a change of theme reaches the page and the component library', () => {
  render(
    <Themed>
      <Asker count={0} />
    </Themed>,
  );
  const page = document.documentElement;
  expect([page.dataset.theme, page.dataset.mantineColorScheme]).toEqual(['day', 'light']);
  act(() => change('night'));
  expect([page.dataset.theme, page.dataset.mantineColorScheme]).toEqual(['night', 'dark']);
  expect(localStorage.getItem('skelda.theme')).toBe('night');
});
