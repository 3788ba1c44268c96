import Sequencer from '@jest/test-sequencer';

/** Tests that take longest, for they start servers, render photographs or set every document: what begins last runs alone. */
const LONG = [
  'scripts/serving.test.ts',
  'db/demo/photographs.test.ts',
  'web/language/german.test.ts',
  'core/cli/cli.test.ts',
  'core/src/diagnosis/posterior.test.ts',
  'db/demo/leaves.test.ts',
  'web/server/reports/demo.test.ts',
  'core/src/practice/bite.test.ts',
  'web/work/offers/orderSheet.test.ts',
  'web/server/pictures/pictures.test.ts',
];

/** The longest first, then as Jest has them. */
export default class LongFirst extends Sequencer {
  sort(tests) {
    const rank = ({ path }) => {
      const at = LONG.findIndex((long) => path.endsWith(`/${long}`));
      return at < 0 ? LONG.length : at;
    };
    return super.sort(tests).sort((a, b) => rank(a) - rank(b));
  }
}
