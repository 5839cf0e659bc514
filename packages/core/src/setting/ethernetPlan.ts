import { nth, sure } from '../lists/index.ts';
import { distinct, say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
/** A participant of a network as planned; the office router and the laptop are participants too. */
export interface Participant {
  readonly id: string;
  readonly tag: string;
  readonly address: string;
  readonly mask: string;
  readonly gateway?: string;
  /** Name by which a fieldbus controller finds it, where it uses names. */
  readonly name?: string;
}

/** Something in a plan that would not work, and whom it concerns. */
export interface PlanFault {
  readonly tags: readonly string[];
  readonly sentence: Message;
}

/** An IPv4 address as a number, or nothing where the text is none (RFC 791; four decimal parts without leading noughts). */
export function parseIpv4(text: string): number | undefined {
  const parts = text.trim().split('.');
  if (parts.length !== 4) return undefined;
  let value = 0;
  for (const part of parts) {
    if (!/^(0|[1-9]\d{0,2})$/.test(part) || Number(part) > 255) return undefined;
    value = value * 256 + Number(part);
  }
  return value;
}

export const ipv4Text = (value: number): string =>
  [24, 16, 8, 0].map((shift) => (value >>> shift) & 0xff).join('.');

/** Leading ones of a mask, `255.255.255.0` or `/24`; nothing where its ones are not together (RFC 4632). */
export function prefixOf(mask: string): number | undefined {
  const short = /^\/(\d{1,2})$/.exec(mask.trim());
  if (short) return Number(short[1]) <= 32 ? Number(short[1]) : undefined;
  const value = parseIpv4(mask);
  if (value === undefined) return undefined;
  const inverse = ~value >>> 0;
  return (inverse & (inverse + 1)) === 0 ? 32 - Math.round(Math.log2(inverse + 1)) : undefined;
}

const maskOf = (prefix: number): number => (prefix === 0 ? 0 : (0xffffffff << (32 - prefix)) >>> 0);
const networkOf = (address: number, prefix: number): number => (address & maskOf(prefix)) >>> 0;

/** Everything in a plan that would not work, before anything is plugged in. */
export function ethernetFaults(participants: readonly Participant[]): PlanFault[] {
  const known = participants.flatMap((participant) => {
    const address = parseIpv4(participant.address);
    const prefix = prefixOf(participant.mask);
    return address === undefined || prefix === undefined ? [] : [{ ...participant, ip: address, prefix }];
  });
  return [
    ...participants.flatMap(ownFaults),
    ...twice(
      known,
      ({ ip }) => String(ip),
      (tags, { address }) => say('fieldbus.same-address', { tags, address }),
    ),
    ...twice(
      known.filter(({ name }) => name),
      ({ name }) => sure(name).toLowerCase(),
      (tags, { name }) => say('fieldbus.same-name', { tags, name }),
    ),
    ...apart(known),
  ];
}

function ownFaults({ tag, address, mask, gateway, name }: Participant): PlanFault[] {
  const fault = (sentence: Message): PlanFault => ({ tags: [tag], sentence });
  const ip = parseIpv4(address);
  const prefix = prefixOf(mask);
  if (ip === undefined) return [fault(say('fieldbus.address-four-numbers-0', { tag, address }))];
  if (prefix === undefined) return [fault(say('fieldbus.mask-such-255-255', { tag, mask }))];
  const faults: PlanFault[] = [];
  const network = networkOf(ip, prefix);
  const last = (network | (~maskOf(prefix) >>> 0)) >>> 0;
  if (prefix <= 30 && ip === network)
    faults.push(fault(say('fieldbus.network-itself-participant', { tag, address })));
  if (prefix <= 30 && ip === last)
    faults.push(fault(say('fieldbus.speaks-all-network-nobody', { tag, address })));
  if (ip >>> 24 === 127 || ip >>> 28 === 14 || ip === 0)
    faults.push(fault(say('fieldbus.reserved-rfc-6890-given', { tag, address })));
  const way = gateway ? parseIpv4(gateway) : undefined;
  if (gateway && way === undefined) faults.push(fault(say('fieldbus.gateway-address', { tag, gateway })));
  else if (way !== undefined && networkOf(way, prefix) !== network)
    faults.push(
      fault(say('fieldbus.gateway-lies-outside-own', { tag, gateway, ipv4: ipv4Text(network), prefix })),
    );
  else if (way === ip) faults.push(fault(say('fieldbus.gateway-itself', { tag })));
  return [
    ...faults,
    ...nameProblems(name).map((words) => fault(say('text.colon', { name: tag, text: words }))),
  ];
}

/**
 * What is wrong with a station's name: labels of 1 to 63 small letters, digits and dashes, joined by points, no dash at
 * an end, at most 240 signs, not like an address (IEC 61158-6-10, 4.3.1.4.15, after RFC 5890).
 */
export function nameProblems(name: string | undefined): Message[] {
  if (name === undefined || name === '') return [];
  const problems: Message[] = [];
  if (name.length > 240) problems.push(say('fieldbus.name-signs-240-allowed', { name: name.length }));
  if (parseIpv4(name) !== undefined) problems.push(say('fieldbus.name-reads-like-address', { name }));
  for (const label of name.split('.')) {
    if (label === '') problems.push(say('fieldbus.name-empty-part-between', { name }));
    else if (label.length > 63) problems.push(say('fieldbus.part-name-signs-63', { label: label.length }));
    else if (/[A-Z]/.test(label)) problems.push(say('fieldbus.name-capital-letters-use', { name }));
    else if (!/^[a-z0-9-]+$/.test(label)) problems.push(say('fieldbus.name-signs-other-letters', { name }));
    else if (label.startsWith('-') || label.endsWith('-'))
      problems.push(say('fieldbus.part-name-begins-ends', { name }));
    else if (/^port-\d{3}(-\d{5})?$/.test(label)) problems.push(say('fieldbus.name-form-ports', { name }));
  }
  return distinct(problems);
}

function twice<T extends Participant>(
  rows: readonly T[],
  keyOf: (row: T) => string,
  words: (tags: string[], first: T) => Message,
): PlanFault[] {
  const groups = new Map<string, T[]>();
  for (const row of rows) groups.set(keyOf(row), [...(groups.get(keyOf(row)) ?? []), row]);
  return [...groups.values()]
    .filter((group) => group.length > 1)
    .map((group) => {
      const tags = group.map(({ tag }) => tag);
      return { tags, sentence: words(tags, nth(group, 0)) };
    });
}

/** Participants that do not lie in the network of most, seen from either side. */
function apart(rows: readonly (Participant & { ip: number; prefix: number })[]): PlanFault[] {
  const counts = new Map<string, number>();
  const keyOf = ({ ip, prefix }: { ip: number; prefix: number }): string =>
    `${ipv4Text(networkOf(ip, prefix))}/${prefix}`;
  for (const row of rows) counts.set(keyOf(row), (counts.get(keyOf(row)) ?? 0) + 1);
  const [main] = [...counts].sort((a, b) => b[1] - a[1])[0] ?? [];
  if (main === undefined || counts.size < 2) return [];
  return rows
    .filter((row) => keyOf(row) !== main)
    .map((row) => ({
      tags: [row.tag],
      sentence: say('fieldbus.lies-others-they-do', { row: row.tag, keyOf: keyOf(row), main }),
    }));
}
