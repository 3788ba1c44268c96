const FRACTIONS: Record<string, string> = { '¼': '1/4', '½': '1/2', '¾': '3/4', '⅛': '1/8' };
const ANY_FRACTION = /\s*\d+\/\d+/;
const ANY_UNIT = /\s*[a-z″′"']+\s*$/i;

/** A typed number with a key pressed after it: minus turns its sign, a fraction or unit takes the place of another. */
export function withKey(typed: string, key: string): string {
  const text = typed.trim();
  if (key === '−') return /^[-−]/.test(text) ? text.slice(1) : `-${text}`;
  const fraction = FRACTIONS[key];
  if (fraction === undefined) return `${text.replace(ANY_UNIT, '')} ${key}`.trim();
  const unit = ANY_UNIT.exec(text)?.[0].trim();
  const whole = text.replace(ANY_UNIT, '').replace(ANY_FRACTION, '').trim();
  return [whole, fraction, unit].filter(Boolean).join(' ');
}

/** A count one step on; from nothing it begins at nought, and never goes below. */
export const stepped = (typed: string, by: 1 | -1): string => {
  const now = Number(typed.trim());
  return String(Math.max(0, (Number.isFinite(now) ? now : 0) + by));
};
