/** Typing a number with single keys. */

const LONGEST = 8;

/** The text after one more key: a digit, a point, or a sign, which turns the number's own round. */
export function typed(text: string, key: string): string {
  if (key === '-') return text.startsWith('-') ? text.slice(1) : `-${text}`;
  if (text.replace(/[-.]/g, '').length >= LONGEST) return text;
  if (key === '.' || key === ',')
    return text.includes('.') ? text : `${text === '' || text === '-' ? `${text}0` : text}.`;
  return /^\d$/.test(key) ? text + key : text;
}

/** The number a text stands for; null while it stands for none. */
export function parsed(text: string): number | null {
  return /^-?\d+(\.\d+)?$/.test(text.replace(/\.$/, '')) ? Number(text.replace(/\.$/, '')) : null;
}

/** A number with so many decimals and a true minus sign; nothing has none. */
export function shown(value: number, decimals: number): string {
  const text = value.toFixed(decimals);
  return Number(text) === 0 ? text.replace('-', '') : text.replace('-', '−');
}
