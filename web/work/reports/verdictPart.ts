import type { Assessment } from '@undrel/core/assessment';
import { clientWords, pivotTold, type Reason } from '@undrel/core/diagnosis';
import { eventsFollowed, fillWords, sinceWhen } from '@undrel/core/history';
import { chanceWords, percent, writeLengths } from '@undrel/core/units';
import { CAUSES, type CauseKey } from '@undrel/core/vocabulary';
import { declineLine, stemsOf } from '../../drawings/declineLine';
import type { ReportContent } from '../../protocol/report';
import { explained } from '../tree/assessed';
import type { ReportSource } from '../tree/source';
import { DRAWING } from './stemDrawing';

/** When growth fell, in words and as the line of years. */
function sincePart({ tree, events, visits, visit, beside, system }: ReportSource): ReportContent['since'] {
  const since = sinceWhen(tree, events, visits, visit, beside);
  const followed = eventsFollowed(since).map(
    (e) => `${percent(e.chance)} of it lies within the usual lag of “${e.event.kind}, ${e.event.when}”.`,
  );
  return {
    text: [since.summary, ...followed, ...(since.fill ? [fillWords(since.fill)] : [])].join(' '),
    ...(since.years.length > 0 && {
      drawing: declineLine({
        since,
        planted: tree.plantedYear,
        stems: stemsOf(visits),
        system,
        width: DRAWING.width,
      }),
    }),
  };
}

/** What is wrong and why it is thought so, since when, and what would settle what is open. */
export function verdictPart(source: ReportSource, { verdict, memory }: Assessment) {
  const { tree, visit, system } = source;
  const say = (text: string) => writeLengths(text, system);
  const why = explained(verdict, source.table);
  const reasonsFor = (cause: CauseKey) => {
    const { for: speaksFor, against } = why.causes.find((c) => c.cause === cause)!;
    const written = (reasons: readonly Reason[]) => reasons.map((r) => `${say(r.text)} (${r.words})`);
    return { for: written(speaksFor), against: written(against) };
  };
  return {
    verdictSummary: verdict.summary,
    ...(verdict.danger && { danger: verdict.danger.text }),
    causes: verdict.causes
      .filter((c) => c.standing === 'likely' || c.standing === 'possible')
      .map((c) => ({
        label: c.label,
        standing: `${c.certainty} (${chanceWords(c.probability)})`,
        mechanism: c.mechanism,
        ...reasonsFor(c.cause),
      })),
    chain: verdict.chain.map((step) => step.text),
    ...(memory.length > 0 && { foundBefore: memory.map((m) => `${m.label}. ${say(m.text)}`) }),
    since: sincePart(source),
    ...(visit.opinion && {
      opinion: `${CAUSES[visit.opinion.cause as CauseKey].label}. ${visit.opinion.why}`,
    }),
    doubts: [
      ...why.contradictions.map((c) => say(c.text)),
      ...(why.pivotal ? [pivotTold(why.pivotal, say(why.pivotal.text))] : []),
    ],
    checks: why.enough
      ? []
      : why.checks
          .filter((c) => c.couldChange.length > 0)
          .slice(0, 6)
          .map((c) => `${c.about} (${c.minutes} min${c.season ? `, ${c.season}` : ''})`),
    clientWords: clientWords(tree, visit, verdict),
  };
}
