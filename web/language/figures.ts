const SIGNS: Record<string, string> = { '€': 'EUR', $: 'USD', '£': 'GBP', '¥': 'JPY' };
/** Money, a figure with thousands or decimals, the end of a range of lengths, or a percent sign. */
const FIGURE =
  /([€$£¥]|\b[A-Z]{3}[ \u00a0])(\d[\d,]*(?:\.\d+)?)|(?<![\w.,-])(\d{1,3}(?:,\d{3})+(?:\.\d+)?|\d+\.\d+)|(?<=\d-)(\d+\.\d+)(?= (?:cm|mm|m|in|ft)\b)|(?<=\d)%/g;

/** Figures of a text as a language writes them: its decimal sign, its thousands, its percent, its money. */
export function figuresIn(text: string, locale: string): string {
  const said = (figure: string, style: Intl.NumberFormatOptions = {}): string => {
    const decimals = figure.split('.')[1]?.length ?? 0;
    return new Intl.NumberFormat(locale, {
      ...style,
      minimumFractionDigits: decimals,
      maximumFractionDigits: decimals,
    }).format(Number(figure.replaceAll(',', '')));
  };
  const percent = new Intl.NumberFormat(locale, { style: 'percent' }).format(0).replace('0', '');
  return text.replace(FIGURE, (_, sign?: string, money?: string, figure?: string, to?: string) => {
    if (figure ?? to) return said((figure ?? to)!);
    if (!sign || !money) return percent;
    return said(money, { style: 'currency', currency: SIGNS[sign] ?? sign.trim() });
  });
}
