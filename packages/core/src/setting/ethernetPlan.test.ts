import { said } from '../../test/said.ts';
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
    .map(said);

test('a plan in order has nothing against it', () => {
  expect(
    faults(one('ROUTER', 254), one('IOL', 30, { gateway: '192.168.10.254', name: 'iol-master-1' })),
  ).toEqual([]);
});

test.each<[string, Participant, string]>([
  [
    'an address used twice, the laptop’s too',
    one('NEW', 99),
    'fieldbus.same-address tags=LAPTOP+NEW address=192.168.10.99',
  ],
  [
    'another network',
    one('NEW', 5, { address: '192.168.0.5' }),
    'fieldbus.lies-others-they-do row=NEW keyOf=192.168.0.0/24 main=192.168.10.0/24',
  ],
  ['another mask', one('NEW', 5, { mask: '255.255.0.0' }), 'fieldbus.lies-others-they-do'],
  ['the network itself', one('NEW', 0), 'fieldbus.network-itself-participant tag=NEW address=192.168.10.0'],
  [
    'the address of all',
    one('NEW', 255),
    'fieldbus.speaks-all-network-nobody tag=NEW address=192.168.10.255',
  ],
  [
    'a reserved address',
    one('NEW', 5, { address: '127.0.0.1' }),
    'fieldbus.reserved-rfc-6890-given tag=NEW address=127.0.0.1',
  ],
  ['no address', one('NEW', 5, { address: '192.168.10' }), 'fieldbus.address-four-numbers-0'],
  ['a number too large', one('NEW', 5, { address: '192.168.10.256' }), 'fieldbus.address-four-numbers-0'],
  ['a leading nought', one('NEW', 5, { address: '192.168.10.010' }), 'fieldbus.address-four-numbers-0'],
  [
    'a mask with a hole',
    one('NEW', 5, { mask: '255.0.255.0' }),
    'fieldbus.mask-such-255-255 tag=NEW mask=255.0.255.0',
  ],
  [
    'a gateway elsewhere',
    one('NEW', 5, { gateway: '192.168.0.1' }),
    'fieldbus.gateway-lies-outside-own tag=NEW gateway=192.168.0.1 ipv4=192.168.10.0 prefix=24',
  ],
  ['itself as gateway', one('NEW', 5, { gateway: '192.168.10.5' }), 'fieldbus.gateway-itself tag=NEW'],
  [
    'a gateway that is none',
    one('NEW', 5, { gateway: 'router' }),
    'fieldbus.gateway-address tag=NEW gateway=router',
  ],
  [
    'capital letters',
    one('NEW', 5, { name: 'Pump-1' }),
    'text.colon name=NEW text=(fieldbus.name-capital-letters-use name=Pump-1)',
  ],
  [
    'a name like an address',
    one('NEW', 5, { name: '10.0.0.1' }),
    'text.colon name=NEW text=(fieldbus.name-reads-like-address name=10.0.0.1)',
  ],
])('%s is named with the device concerned', (_, participant, words) => {
  expect(faults(participant).join(' ')).toMatch(words);
});

test('a name used twice is one, in whatever letters', () => {
  expect(faults(one('A', 31, { name: 'pump' }), one('B', 32, { name: 'pump' }))).toEqual([
    'fieldbus.same-name tags=A+B name=pump',
  ]);
});

test.each([
  ['pump-1.hall', []],
  ['a'.repeat(63), []],
  ['a'.repeat(64), ['fieldbus.part-name-signs-63 label=64']],
  ['-pump', ['fieldbus.part-name-begins-ends name=-pump']],
  ['pump_1', ['fieldbus.name-signs-other-letters name=pump_1']],
  ['pump..1', ['fieldbus.name-empty-part-between name=pump..1']],
  ['port-001', ['fieldbus.name-form-ports name=port-001']],
])('the name %s', (name, words) => {
  const found = nameProblems(name);
  expect(found).toHaveLength(words.length);
  words.forEach((pattern, i) => expect(said(found[i])).toMatch(pattern));
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
      const apart = ethernetFaults(pair).some(
        ({ sentence }) => sentence.code === 'fieldbus.lies-others-they-do',
      );
      expect(apart).toBe(a !== c);
    }),
  );
});
