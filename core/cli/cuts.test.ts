import type { CutAssessment } from '../src/pruning';
import { shortMark } from '../src/units/marks';
import { cutsText } from './cuts';

const base = {
  interval: 2,
  limits: { stageLoss: 0.2 },
  roots: [{ label: 'A', says: `Stays: thicker than ${shortMark(0.06)}.` }],
};
const plan = { proved: true, stages: { B: 1 }, value: { freed: 0.2, threatened: 0.4, loss: [0.1] } };

test('the lines of a cut plan hold lengths as they are written, in the units asked for', () => {
  const metric = cutsText({ ...base, plan } as unknown as CutAssessment, '2026-06-01', 'metric');
  expect(metric).toContain('stage 1, 2026: B; 10% of the root cross-section, of 20%');
  expect(metric).toContain('A: Stays: thicker than 6 cm.');
  const clash = { says: [`Stage 1 would take A and B, each thicker than ${shortMark(0.06)}, at once.`] };
  expect(cutsText({ ...base, clash } as unknown as CutAssessment, '2026-06-01', 'us')).toMatch(
    /^Cut plan: none keeps to everything\. Stage 1 .* 2\.4 in, at once\.\n$/,
  );
});
