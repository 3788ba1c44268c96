import messages from '../../language/de.json' with { type: 'json' };
import { longDays, longDaysIn } from '../../documents/dates';
import { NOTICE_WORDS, OFFER_WORDS } from '../../language/clientWords';
import { inGerman } from '../../language/german';
import { localeOf, type Language, type Messages } from '../../language/languages';
import { figuresIn } from '../../language/figures';
import type { NoticeContent } from '../../protocol/notice';
import type { OfferContent } from '../../protocol/offer';

const MESSAGES: Record<Exclude<Language, 'en'>, Messages> = { de: messages };

/** Words of a page in a language; English needs none. */
const wordsOf = (keys: readonly string[], language: Language): Messages | undefined =>
  language === 'en'
    ? undefined
    : Object.fromEntries(
        keys.flatMap((key) => (MESSAGES[language][key] ? [[key, MESSAGES[language][key]]] : [])),
      );

export const offerWords = (language: Language = 'en') => wordsOf(OFFER_WORDS, language);
export const noticeWords = (language: Language = 'en') => wordsOf(NOTICE_WORDS, language);

/** A text in a language as it is read; one that is not known stays as it is. */
function saidIn(language: Exclude<Language, 'en'>, missed: (text: string) => void) {
  const locale = localeOf(language, 'A4');
  return (text: string): string => {
    const said = inGerman(text);
    if (said === undefined && /\p{L}{2}/u.test(text)) missed(text);
    return longDaysIn(figuresIn(said ?? text, locale), locale);
  };
}

/** What a client is shown, in their language. @param missed is told each text that is not known */
export function offerInLanguage(
  content: OfferContent,
  language: Language,
  missed: (text: string) => void = () => undefined,
): OfferContent {
  const said =
    language === 'en' ? (text: string) => longDays(text, content.paper ?? 'A4') : saidIn(language, missed);
  const drawn = (drawing: OfferContent['before']) => ({
    ...drawing,
    shapes: drawing.shapes.map((s) =>
      s.as === 'text' && language !== 'en' ? { ...s, text: inGerman(s.text) ?? s.text } : s,
    ),
  });
  return {
    ...content,
    ...(language !== 'en' && { language }),
    verdict: said(content.verdict),
    ...(content.danger && { danger: said(content.danger) }),
    options: content.options.map(({ key, ...texts }) => ({
      key,
      title: said(texts.title),
      what: said(texts.what),
      now: said(texts.now),
      years: said(texts.years),
      chance: said(texts.chance),
      lost: said(texts.lost),
      decide: said(texts.decide),
    })),
    steps: content.steps.map((s) => ({ title: said(s.title), text: said(s.text), when: said(s.when) })),
    stages: content.stages.map((s) => ({ title: said(s.title), sum: said(s.sum) })),
    notes: content.notes.map(said),
    cautions: content.cautions.map(said),
    before: drawn(content.before),
    ...(content.after && { after: drawn(content.after) }),
  };
}

/** What whoever mows and mulches is told, in their language. */
export const noticeInLanguage = (
  content: NoticeContent,
  language: Language,
  missed: (text: string) => void = () => undefined,
): NoticeContent =>
  language === 'en' ? content : { ...content, language, never: content.never.map(saidIn(language, missed)) };
