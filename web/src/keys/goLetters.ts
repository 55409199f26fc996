const ALPHABET = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ';

/** Letters for going to procedures: the first of each title that is still free, else any free one; T is Today's. */
export function goLetters(titles: string[]): string[] {
  const taken = new Set(['T']);
  return titles.map((title) => {
    const letter =
      [...title.toUpperCase().replace(/[^A-Z]/g, ''), ...ALPHABET].find((candidate) => !taken.has(candidate)) ?? '';
    taken.add(letter);
    return letter;
  });
}
