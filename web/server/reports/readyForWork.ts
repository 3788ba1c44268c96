import { LANGUAGES } from '../../language/languages';
import { documentIn } from '../../documents/documentIn';
import { LENGTHS } from '../../protocol/lengths';
import { ALONE, beside } from '../beside';
import { OTHER } from './edition';
import { setPdf } from './setDocument';

/**
 * Has ready what works reports out, writes and sets them, before anybody asks: the first who does would wait seconds for
 * it. Others are answered in between.
 */
export async function readyForWork(): Promise<void> {
  const content = await beside('readyForPages', undefined, ALONE);
  for (const length of LENGTHS)
    for (const language of LANGUAGES) {
      await new Promise(setImmediate);
      const doc = documentIn(length, content, undefined, 0, OTHER[language]);
      if (length === 'record') await setPdf(doc);
    }
}
