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
export {
  COLLECTIONS,
  COLLECTION_NAMES,
  HEAD_FIELDS,
  JobContent,
  JobHead,
  columnOf,
  headOf,
} from './collections.ts';
export type { CollectionDescriptor, CollectionName, FieldDescriptor } from './collections.ts';
export { emptyJob, emptyLists } from './emptyJob.ts';
export {
  Area,
  AsFound,
  COLOURS,
  COLOUR_REGIONS,
  Description,
  Device,
  Entry,
  Feed,
  FigurePath,
  Fingerprint,
  Instrument,
  Logic,
  MainsHertz,
  Module,
  OutputKind,
  OwnFigure,
  OwnKind,
  Card,
  Point,
  Program,
  Range,
  Result,
  Settings,
  Stamp,
  Supply,
  SupplyKind,
  TerminalRef,
  Wire,
} from './job.ts';
export type { ColourRegion, WireColour } from './job.ts';
export { FaultBody, FaultRecord } from './fault.ts';
export { openFaults } from './openFaults.ts';
export { Photo, PhotoSubject, MAX_PHOTO_BYTES, MAX_PHOTO_SIDE, MAX_PHOTOS_BYTES } from './photo.ts';
export type { FaultExperience, FaultSort, Often, Rated } from './fault.ts';
export { keptPhotos } from './keptPhotos.ts';
export { LOGICS, OUTPUT_KINDS } from './outputNames.ts';
export { JobProblem, problemsOfIssues, problemText, refuse, unlessRefused } from './problem.ts';
export { splitRef } from './ref.ts';
export type { Problem } from './problem.ts';
export {
  Bands,
  Calibration,
  CalibrationBody,
  Display,
  MAX_TABLE_POINTS,
  RawFormat,
  Reference,
  Scaling,
  SensorClass,
  TablePoint,
} from './scaling.ts';
export type { CalibrationOf, DataChoice } from './scaling.ts';
export {
  ACTIONS,
  CLEARERS,
  DeviceChannel,
  LadderPlan,
  Level,
  MAX_LEVELS,
  Switching,
  SwitchingOutput,
  WATCHED,
} from './switching.ts';
export type { Action, Clearer } from './switching.ts';
export { Id, Link, Quantity, Tag } from './words.ts';
