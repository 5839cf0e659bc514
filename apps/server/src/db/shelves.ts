import type { Shelf } from '@keypost/api';

/** How the rows of a job lie in the database: table, and the column of each field. */
export const TABLES: Readonly<
  Record<
    Shelf,
    {
      readonly table: string;
      readonly columns: Readonly<Record<string, string>>;
      readonly json: readonly string[];
    }
  >
> = {
  supplies: {
    table: 'supply',
    columns: {
      id: 'id',
      tag: 'tag',
      kind: 'kind',
      volts: 'volts',
      tolerancePercent: 'tolerance_percent',
      innerOhms: 'inner_ohms',
      limitAmps: 'limit_amps',
      feed: 'feed',
      otherAmps: 'other_amps',
    },
    json: ['feed'],
  },
  modules: {
    table: 'module',
    columns: {
      id: 'id',
      tag: 'tag',
      typeId: 'type_id',
      firstByte: 'first_byte',
      settings: 'settings',
      byHand: 'by_hand',
      link: 'link',
    },
    json: ['settings', 'byHand'],
  },
  devices: {
    table: 'device',
    columns: {
      id: 'id',
      tag: 'tag',
      typeId: 'type_id',
      output: 'output',
      logic: 'logic',
      settings: 'settings',
      byHand: 'by_hand',
      descriptionId: 'description_id',
    },
    json: ['settings', 'byHand'],
  },
  points: {
    table: 'point',
    columns: {
      id: 'id',
      tag: 'tag',
      name: 'name',
      deviceId: 'device_id',
      bit: 'bit',
      helperIds: 'helper_ids',
      range: 'range',
      plate: 'plate',
      scaling: 'scaling',
    },
    json: ['helperIds', 'range', 'plate', 'scaling'],
  },
  wires: {
    table: 'wire',
    columns: {
      id: 'id',
      number: 'number',
      from: 'from_terminal',
      to: 'to_terminal',
      colour: 'colour',
      lengthM: 'length_m',
      mm2: 'mm2',
      cable: 'cable',
      core: 'core',
      ferrule: 'ferrule',
      landed: 'landed',
    },
    json: ['landed'],
  },
  stamps: {
    table: 'stamp',
    columns: {
      id: 'id',
      pointId: 'point_id',
      step: 'step',
      subject: 'subject',
      by: 'by',
      at: 'at',
      undone: 'undone',
    },
    json: ['undone'],
  },
  results: {
    table: 'result',
    columns: {
      id: 'id',
      pointId: 'point_id',
      check: 'check',
      subject: 'subject',
      expected: 'expected',
      measured: 'measured',
      pass: 'pass',
      difference: 'difference',
      instrument: 'instrument',
      unit: 'unit',
      by: 'by',
      at: 'at',
    },
    json: ['expected', 'measured', 'instrument'],
  },
  entries: {
    table: 'entry',
    columns: { id: 'id', itemId: 'item_id', side: 'side', how: 'how', values: 'values', by: 'by', at: 'at' },
    json: ['values'],
  },
  descriptions: {
    table: 'description',
    columns: { id: 'id', fileName: 'file_name', text: 'text' },
    json: [],
  },
  calibrations: {
    table: 'calibration',
    columns: { id: 'id', pointId: 'point_id', body: 'body', by: 'by', at: 'at' },
    json: ['body'],
  },
  plans: {
    table: 'plan',
    columns: {
      id: 'id',
      kind: 'kind',
      tag: 'tag',
      mm2: 'mm2',
      bias: 'bias',
      link: 'link',
      framing: 'framing',
      units: 'units',
      members: 'members',
    },
    json: ['bias', 'units', 'members'],
  },
};

export const SHELVES = Object.keys(TABLES) as Shelf[];
