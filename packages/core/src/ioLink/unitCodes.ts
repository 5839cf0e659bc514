/** Units by the codes that description files use (IEC 61987 code list, as the open unit list of the format gives them). */
const UNITS: Readonly<Record<number, string>> = {
  1001: '°C',
  1002: '°F',
  1000: 'K',
  1062: 'mm/s',
  1076: 'm/s²',
  1010: 'm',
  1011: 'km',
  1012: 'cm',
  1013: 'mm',
  1014: 'µm',
  1054: 's',
  1056: 'ms',
  1058: 'min',
  1077: 'Hz',
  1130: 'Pa',
  1133: 'kPa',
  1132: 'MPa',
  1137: 'bar',
  1138: 'mbar',
  1141: 'psi',
  1209: 'A',
  1211: 'mA',
  1240: 'V',
  1243: 'mV',
  1342: '%',
  1349: 'm³/h',
  1352: 'l/min',
};

/** A unit in words; nothing where its code is not in the list. */
export const unitText = (code: number): string | undefined => UNITS[code];
