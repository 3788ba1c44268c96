export type { Barrier, Buttress, DecaySector, DigHead } from './dig';
export type { Decision } from './decision';
export type { CutDesign, CutLimits } from './cuts';
export { CUT_RANGES } from './cuts';
export { MOST_POT } from './dig';
export type { TreeEvent } from './event';
export type { Finding } from './finding';
export * from './rules';
export type { FollowUpMark } from './followUp';
export {
  LEAVES_OF,
  MOST_BARK,
  MOST_IN_SECTION,
  MOST_PICTURE_MARKS,
  SHOWN,
  type Picture,
  type PictureAlignment,
  type PictureCards,
  type PictureMark,
  type Shown,
} from './picture';
export type { ProbePoint } from './probe';
export type { DepthReading, GradeProfile } from './profile';
export type { Push } from './push';
export type { BarkContact, DugRoot, RootCondition, RootDone, RootKind, RootPoint } from './root';
export type { Site, SiteThing } from './site';
export { MOST_LAYERS, type LogPlace, type SoilLayer, type SoilLog } from './soilLog';
export { schemaOf, type Kind, type Values } from './schemas';
export * from './stem';
export { FIX_WITHIN, TREE_LETTERS, type Stock, type Tree, type Worth } from './tree';
export type { TrenchDesign } from './trenches';
export type { VisitHead } from './visit';
export type { SeasonRain, WeatherPlace, WeatherRecord } from './weather';
export * from './whole';
export type { Watering } from './watering';
export type { WorkDone } from './work';
