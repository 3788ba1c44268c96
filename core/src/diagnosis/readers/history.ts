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
  'event.irrigation': told('irrigation', 'yes', (when) => `irrigated since ${when}`),
  'event.drought': lately('drought', (when) => `drought in ${when}`),
  'event.flood': lately('flood', (when) => `flood in ${when}`),
  'event.ring': told('planting ring', 'yes', (when) => `a root-control ring was set in ${when}`),
};
