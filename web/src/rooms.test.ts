import { expect, it } from 'vitest';

const files = import.meta.glob<string>('./*/*.{ts,tsx}', { query: '?raw', import: 'default', eager: true });

/** The rooms of the page, each with those that its files import from. */
function rooms(): Map<string, Set<string>> {
  const uses = new Map<string, Set<string>>();
  for (const [path, text] of Object.entries(files)) {
    const room = path.split('/')[1] ?? '';
    const used = uses.get(room) ?? new Set();
    for (const [, name, lazily] of text.matchAll(/from '\.\.\/(\w+)\/|import\('\.\.\/(\w+)\//g))
      used.add(name ?? lazily ?? '');
    uses.set(room, used);
  }
  return uses;
}

it('no line is longer than 120 characters', () => {
  const written = Object.entries(files).filter(([path]) => !path.startsWith('./generated/'));
  const long = written.flatMap(([path, text]) =>
    text.split('\n').flatMap((line, i) => (line.length > 120 ? [`${path}:${i + 1}`] : [])),
  );
  expect(written.length).toBeGreaterThan(90);
  expect(long).toEqual([]);
});

it('no two rooms of the page need each other, however far around', () => {
  const uses = rooms();
  expect(uses.get('departure')).toContain('live');
  const behind = (room: string, seen = new Set<string>()): Set<string> => {
    for (const used of uses.get(room) ?? [])
      if (!seen.has(used)) {
        seen.add(used);
        behind(used, seen);
      }
    return seen;
  };
  expect([...uses.keys()].filter((room) => behind(room).has(room))).toEqual([]);
});
