import type { FaceRow, Port } from '../../catalog/index.ts';
import { formatOhms, plain } from '../../units/index.ts';

/** Ports that talk, and those that measure a resistance, are drawn by their terminals. */
export function portFace(port: Port): FaceRow[] | undefined {
  const names = Object.values(port.roles);
  if (port.kind === 'analog' && port.roles.excitation)
    return [
      {
        a: port.terminal,
        b: port.common,
        glyph: { kind: 'resistor', id: port.name, text: formatOhms(port.burdenOhms) },
      },
      { a: port.roles.excitation, glyph: { kind: 'line', text: 'reference' } },
    ];
  if (port.kind === 'analog' && port.measures === 'resistance')
    return [
      {
        a: port.terminal,
        b: port.common,
        glyph: { kind: 'signal', id: port.name, text: `${plain(1000 * (port.excitationAmps ?? 0))}\u00a0mA` },
      },
      ...(port.roles.sense
        ? [
            {
              a: port.roles.sense,
              b: port.roles.senseReturn,
              glyph: { kind: 'line' as const, text: 'sense' },
            },
          ]
        : []),
    ];
  if (port.kind === 'ethernet') return [{ a: names[0], glyph: { kind: 'line' } }];
  if (port.kind === 'serial')
    return [
      { a: 'D1', b: 'D0', glyph: { kind: 'line' } },
      { a: 'C', glyph: { kind: 'line' } },
    ];
  if (port.kind !== 'io-link') return undefined;
  const pin = (n: number): string | undefined => names.find((name) => name.endsWith(`.${n}`));
  const five = pin(5);
  return [
    { a: pin(1), b: pin(3), glyph: { kind: 'line' } },
    { a: pin(4), ...(!five && { b: pin(2) }), glyph: { kind: 'line', text: 'C/Q' } },
    ...(five ? [{ a: pin(2), b: five, glyph: { kind: 'line' as const, text: 'power' } }] : []),
  ];
}

/** A switching input that feeds its sensor from a pin of its own shows that pin too. */
export function withSupply(face: readonly FaceRow[], port: Port): readonly FaceRow[] {
  const { plus } = port.roles;
  return port.kind === 'digital' && plus
    ? [...face, { a: plus, glyph: { kind: 'line', text: 'supply' } }]
    : face;
}
