import { signsOf } from '../../tests/signs';
import { collarAt, visitOn } from '../../tests/visits';
import { assess } from '../assessment';
import { CAUSE_KEYS, CAUSES } from '../vocabulary/causes';
import { inSentence } from '../vocabulary/inSentence';
import { clientWords } from './clientWords';

const TREE = { label: 'Linden 1', species: 'Tilia cordata', plantedYear: 2012, stock: 'container' as const };

test.each(CAUSE_KEYS)(
  '%s: a client reads of every cause how sure it is, by the one scale, and of none twice',
  (of) => {
    for (const depth of [0.02, 0.08, 0.18]) {
      const visit = visitOn('2026-06-01', signsOf(of), { probes: collarAt(depth) });
      const { verdict } = assess(TREE, [], visit, {}, undefined, [visit]);
      const words = clientWords(TREE, visit, verdict);
      const [ruled] = /We cannot yet rule out .*/.exec(words) ?? [''];
      for (const { cause, probability, standing, certainty } of verdict.causes) {
        const clause = inSentence(CAUSES[cause].led);
        const said = words.includes(`It is ${certainty} that ${clause}.`);
        if (standing === 'likely' || (standing === 'possible' && probability >= 0.5))
          expect([cause, said, ruled.includes(`that ${clause}`)]).toEqual([cause, true, false]);
        else expect([cause, said]).toEqual([cause, false]);
      }
    }
  },
);
