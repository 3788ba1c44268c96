import type { HouseSchools } from '../practice';
import type { WeatherRecord } from '../records';
import type { Species } from '../species';

/** What stands above a single tree: the schools of its firm and its grounds, the firm's own species, the weather there. */
export interface House extends HouseSchools {
  species?: readonly Species[];
  weather?: WeatherRecord;
}
