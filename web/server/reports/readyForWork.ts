import { LANGUAGES } from '../../language/languages';
import { LENGTHS } from '../../protocol/lengths';
import { ALONE, beside, keepReady } from '../beside';
import { reportDocument, reportPdf } from './setDocument';

/**
 * Has ready what works reports out, writes and sets them, before anybody asks: the first who does would wait seconds for
 * it.
 */
export async function readyForWork(): Promise<void> {
  keepReady();
  const content = await beside('readyForPages', undefined, ALONE);
  for (const length of LENGTHS)
    for (const language of LANGUAGES)
      await (length === 'record' ? reportPdf : reportDocument)({ content, length, language });
}
