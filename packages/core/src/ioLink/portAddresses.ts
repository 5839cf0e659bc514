/** How a controller counts: bytes, words of two bytes, or registers of two bytes from 0 as a bus sends them. */
export type Numbering = 'byte' | 'word' | 'register';

/** Bytes that a port takes of a controller's image: process data and the qualifier that says what it is worth. */
export interface PortLengths {
  readonly input: number;
  readonly output: number;
}

/** Where a port's data lies. */
export interface PortAddress {
  readonly firstIn?: string;
  readonly lastIn?: string;
  /** Where its qualifier lies. */
  readonly qualifier?: string;
  readonly firstOut?: string;
  readonly lastOut?: string;
}

const QUALIFIER_BYTES = 1;

/**
 * Addresses of the ports of a master, one after the other from its first byte. Input: the process data, then one byte
 * of qualifier. Counted in words or registers every port begins at a whole one.
 * @param ports undefined for a port that is not in use: it takes nothing.
 */
export function portAddresses(
  ports: readonly (PortLengths | undefined)[],
  firstByte: number,
  numbering: Numbering,
): (PortAddress | undefined)[] {
  const whole = (bytes: number): number => (numbering === 'byte' ? bytes : 2 * Math.ceil(bytes / 2));
  let input = whole(firstByte);
  let output = whole(firstByte);
  return ports.map((port) => {
    if (!port) return undefined;
    const [firstIn, firstOut] = [input, output];
    input += whole(port.input + QUALIFIER_BYTES);
    output += whole(port.output);
    const at = (area: 'I' | 'Q', byte: number): string => addressText(area, byte, numbering);
    return {
      ...(port.input > 0 && { firstIn: at('I', firstIn), lastIn: at('I', firstIn + port.input - 1) }),
      qualifier: at('I', firstIn + port.input),
      ...(port.output > 0 && { firstOut: at('Q', firstOut), lastOut: at('Q', firstOut + port.output - 1) }),
    };
  });
}

/** `%IB5` (IEC 61131-3), `%IW2` counted in words, `register 2 high` for the first byte of a register. */
function addressText(area: 'I' | 'Q', byte: number, numbering: Numbering): string {
  if (numbering === 'byte') return `%${area}B${byte}`;
  const half = byte % 2 === 0 ? 'high' : 'low';
  const word = Math.floor(byte / 2);
  return numbering === 'word'
    ? `%${area}W${word} ${half}`
    : `${area === 'I' ? 'input' : 'output'} register ${word} ${half}`;
}
