import { keeping } from '@undrel/core/kept';

const SIGNS: Record<string, string> = { '€': 'EUR', $: 'USD', '£': 'GBP', '¥': 'JPY' };
/** Money, a figure with thousands or decimals, the end of a range of lengths, or a percent sign. */
const FIGURE =
  /([€$£¥]|\b[A-Z]{3}[ \u00a0])(\d[\d,]*(?:\.\d+)?)|(?<![\w.,-])(\d{1,3}(?:,\d{3})+(?:\.\d+)?|\d+\.\d+)|(?<=\d-)(\d+\.\d+)(?= (?:cm|mm|m|in|ft)\b)|(?<=\d)%/g;

// Making one takes longer than writing a hundred figures with it.
const writers = keeping<Intl.NumberFormat>(200);
const writerOf = (locale: string, style: Intl.NumberFormatOptions): Intl.NumberFormat =>
  writers([locale, style], () => new Intl.NumberFormat(locale, style));

/** Figures of a text as a language writes them: its decimal sign, its thousands, its percent, its money. */
export function figuresIn(text: string, locale: string): string {
  const said = (figure: string, style: Intl.NumberFormatOptions = {}): string => {
    const decimals = figure.split('.')[1]?.length ?? 0;
    const exact = { ...style, minimumFractionDigits: decimals, maximumFractionDigits: decimals };
    return writerOf(locale, exact).format(Number(figure.replaceAll(',', '')));
  };
  return text.replace(FIGURE, (_, sign?: string, money?: string, figure?: string, to?: string) => {
    if (figure ?? to) return said((figure ?? to)!);
    if (!sign || !money) return writerOf(locale, { style: 'percent' }).format(0).replace('0', '');
    return said(money, { style: 'currency', currency: SIGNS[sign] ?? sign.trim() });
  });
}
