import type { WireColour } from '@keypost/core/model';

/** Insulation colours by their letter codes (IEC 60757). */
export const WIRE_HEX: Readonly<Record<WireColour, string>> = {
  BN: '#7E4B22',
  BU: '#2E64C4',
  BK: '#2A2A2A',
  WH: '#FFFFFF',
  GY: '#8C8F8C',
  RD: '#B5271C',
  OG: '#D8720F',
  YE: '#E3B505',
  GN: '#2F8035',
  VT: '#6C3FA3',
  PK: '#E58FAA',
  TQ: '#2FB3AE',
  GNYE: '#7DA617',
};
