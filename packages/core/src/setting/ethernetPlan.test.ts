import { textOf } from '../messages/index.ts';
import fc from 'fast-check';
import { ethernetFaults, ipv4Text, nameProblems, parseIpv4, prefixOf } from './ethernetPlan.ts';
import type { Participant } from './ethernetPlan.ts';

const one = (tag: string, last: number, more: Partial<Participant> = {}): Participant => ({
  id: tag,
  tag,
  address: `192.168.10.${last}`,
  mask: '255.255.255.0',
  ...more,
});
const PANEL = [one('PLC', 1), one('DRV', 11), one('PANEL', 20), one('LAPTOP', 99)];
const faults = (...more: Participant[]): string[] =>
  ethernetFaults([...PANEL, ...more])
    .map(({ sentence }) => sentence)
    .map(textOf);

test('a plan in order has nothing against it', () => {
  expect(
    faults(one('ROUTER', 254), one('IOL', 30, { gateway: '192.168.10.254', name: 'iol-master-1' })),
  ).toEqual([]);
});

test.each<[string, Participant, RegExp]>([
  [
    'an address used twice, the laptop’s too',
    one('NEW', 99),
    /^LAPTOP and NEW have the same address 192\.168\.10\.99\.$/,
  ],
  [
    'another network',
    one('NEW', 5, { address: '192.168.0.5' }),
    /NEW lies in 192\.168\.0\.0\/24, the others in 192\.168\.10\.0\/24/,
  ],
  ['another mask', one('NEW', 5, { mask: '255.255.0.0' }), /do not see each other/],
  ['the network itself', one('NEW', 0), /is the network itself/],
  ['the address of all', one('NEW', 255), /broadcast address/],
  ['a reserved address', one('NEW', 5, { address: '127.0.0.1' }), /reserved/],
  ['no address', one('NEW', 5, { address: '192.168.10' }), /is no address\. Four numbers/],
  ['a number too large', one('NEW', 5, { address: '192.168.10.256' }), /is no address/],
  ['a leading nought', one('NEW', 5, { address: '192.168.10.010' }), /is no address/],
  ['a mask with a hole', one('NEW', 5, { mask: '255.0.255.0' }), /is no mask/],
  [
    'a gateway elsewhere',
    one('NEW', 5, { gateway: '192.168.0.1' }),
    /outside its own network 192\.168\.10\.0\/24/,
  ],
  ['itself as gateway', one('NEW', 5, { gateway: '192.168.10.5' }), /gateway is itself/],
  ['a gateway that is none', one('NEW', 5, { gateway: 'router' }), /“router” is no address/],
  ['capital letters', one('NEW', 5, { name: 'Pump-1' }), /capital letters; use pump-1/],
  ['a name like an address', one('NEW', 5, { name: '10.0.0.1' }), /reads like an address/],
])('%s is named with the device concerned', (_, participant, words) => {
  expect(faults(participant).join(' ')).toMatch(words);
});

test('a name used twice is one, in whatever letters', () => {
  expect(faults(one('A', 31, { name: 'pump' }), one('B', 32, { name: 'pump' }))).toEqual([
    'A and B have the same name pump.',
  ]);
});

test.each([
  ['pump-1.hall', []],
  ['a'.repeat(63), []],
  ['a'.repeat(64), [/64 signs; 63 are allowed/]],
  ['-pump', [/begins or ends with a dash/]],
  ['pump_1', [/other than letters, digits and dashes/]],
  ['pump..1', [/empty part/]],
  ['port-001', [/form that ports have/]],
])('the name %s', (name, words) => {
  const found = nameProblems(name);
  expect(found).toHaveLength(words.length);
  words.forEach((pattern, i) => expect(textOf(found[i])).toMatch(pattern));
});

test('every address is read and written the same; every prefix has its mask', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 0xffffffff }), (value) => {
      expect(parseIpv4(ipv4Text(value))).toBe(value);
    }),
  );
  for (let prefix = 0; prefix <= 32; prefix++) {
    const mask = prefix === 0 ? 0 : (0xffffffff << (32 - prefix)) >>> 0;
    expect(prefixOf(ipv4Text(mask))).toBe(prefix);
    expect(prefixOf(`/${prefix}`)).toBe(prefix);
  }
  expect([prefixOf('/33'), prefixOf('255.255.255')]).toEqual([undefined, undefined]);
});

test('two are told apart exactly when their networks differ', () => {
  const host = fc.tuple(fc.integer({ min: 1, max: 250 }), fc.integer({ min: 1, max: 250 }));
  fc.assert(
    fc.property(host, host, ([a, b], [c, d]) => {
      const pair = [one('A', b, { address: `10.0.${a}.${b}` }), one('B', d, { address: `10.0.${c}.${d}` })];
      const apart = ethernetFaults(pair).some(({ sentence }) =>
        /do not see each other/.test(textOf(sentence)),
      );
      expect(apart).toBe(a !== c);
    }),
  );
});
