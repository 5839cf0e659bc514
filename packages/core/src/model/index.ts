export {
  BusPlan,
  EthernetPlan,
  MappedValue,
  NETWORK_ROLES,
  NetworkMember,
  REGISTER_TYPES,
  SerialPlan,
  SerialUnit,
} from './busPlan.ts';
export { emptyJob } from './emptyJob.ts';
export {
  COLOURS,
  COLOUR_REGIONS,
  Description,
  Device,
  Entry,
  Feed,
  Instrument,
  JobContent,
  Landed,
  Logic,
  MainsHertz,
  Module,
  OutputKind,
  Plate,
  Point,
  Range,
  Result,
  SHELVES,
  Settings,
  Stamp,
  Supply,
  SupplyKind,
  TerminalRef,
  Wire,
  splitRef,
} from './job.ts';
export type { ColourRegion, WireColour } from './job.ts';
export { JobProblem, pathText, refuse, unlessRefused } from './problem.ts';
export type { Problem } from './problem.ts';
export {
  Bands,
  Calibration,
  CalibrationBody,
  Display,
  MOST_TABLE_POINTS,
  RawFormat,
  Reference,
  Scaling,
  SensorClass,
  TablePoint,
} from './scaling.ts';
export type { CalibrationOf } from './scaling.ts';
export { Id, Link, Tag } from './words.ts';
