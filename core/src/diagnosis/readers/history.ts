import { cohortTold } from '../../history/cohortTold';
import { answerTo } from '../../questions/question';
import { LIMITS } from '../../practice/limits';
import { asked, first, lately, told, type Readers } from './reader';

/** What was told of the past. */
export const HISTORY_READERS: Readers = {
  'history.soil': first(
    asked('history.soil'),
    told('soil added', 'yes', (when) => `soil was added in ${when}`),
  ),
  'history.works': first(
    asked('history.works'),
    told('trenching', 'near', (when) => `something was dug near it in ${when}`),
  ),
  'history.traffic': first(
    asked('history.traffic'),
    told('paving', 'much', (when) => `the ground was paved in ${when}`),
  ),
  'history.cohort': first(({ visit }) => {
    const told = cohortTold(visit.findings);
    if (!told) return undefined;
    const { planted, failed } = told;
    const share = failed / planted;
    return {
      answer: failed === 0 ? 'fine' : share < LIMITS.cohortMost.value ? 'some' : 'most',
      says: `${failed} of ${planted} planted together fail`,
    };
  }, asked('history.cohort')),
  'history.potYears': ({ visit }) => {
    const years = answerTo(visit.findings, 'history.potYears')?.number;
    return years === undefined
      ? undefined
      : { answer: years > LIMITS.potLong.value ? 'long' : 'short', says: `${years} years in its last pot` };
  },
  'history.potKind': asked('history.potKind', { smooth: 'wall', ribbed: 'wall' }),
  'event.irrigation': told('irrigation', 'yes', (when) => `irrigated since ${when}`),
  'event.drought': lately('drought', (when) => `drought in ${when}`),
  'event.flood': lately('flood', (when) => `flood in ${when}`),
  'event.ring': told('planting ring', 'yes', (when) => `a root-control ring was set in ${when}`),
};
