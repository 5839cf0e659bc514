/** Sentences by code. */
export const ANALYSIS = {
  'analysis.chain-1-units-these': ({ maxArcUnits, tags }: { maxArcUnits: number; tags: readonly string[] }) =>
    `A chain has 1 to ${maxArcUnits} units; these are ${tags.length}.`,
  'analysis.out-main-unit': 'OUT of the main unit',
  'analysis.out-of': ({ tag }: { tag: undefined | string }) => `OUT of ${tag}`,
  'analysis.main-unit': 'IN of the main unit',
  'analysis.in-of': ({ tag }: { tag: undefined | string }) => `IN of ${tag}`,
  'analysis.close-coil-sensors-round':
    'Close the coil sensors round their conductors until they lock, arrow towards the load.',
  'analysis.never-open-secondary-current':
    'Never open the secondary of a current transformer that carries current.',
  'analysis.earth-screen-screened-coil':
    'Earth the screen of screened coil leads at the unit only; leave it cut back at the coil.',
  'analysis.lead-fibre-out-order': ({ units }: { units: readonly string[] }) =>
    `Lead the fibre from OUT to IN in this order: main unit, ${units.join(', ')}, main unit.`,
  'analysis.switch-main-unit-must': ({ n }: { n: number }) =>
    `The main unit must count ${n} ${n === 1 ? 'unit' : 'units'}; pull one fibre: it must trip.`,
  'analysis.test-test-function-never': 'Test with the test function only, never with an arc.',
  'analysis.light-arrives': 'No light arrives',
  'analysis.fibre-broken-bent-too': 'Fibre broken, bent too tightly, or IN and OUT exchanged.',
  'analysis.address-used-twice': 'Address used twice',
  'analysis.compare-address-switches-units': 'Compare the address switches of the units.',
  'analysis.coil-open': 'A coil is open',
  'analysis.coil-sensor-closed-lead': 'Coil sensor not closed, or its lead off k or l.',
  'analysis.end-chain-missing': 'End of the chain missing',
  'analysis.switch-last-unit-off': 'Switch for the last unit off, or on at two units.',
  'analysis.has-the-address-of': ({ tag, twin, address }: { tag: string; twin: string; address: number }) =>
    `${tag} has the address of ${twin}, ${address}.`,
  'analysis.unit-address-stands': ({ i, tag, address }: { i: number; tag: string; address: number }) =>
    `No unit has the address ${i + 1}; ${tag} is set to ${address}.`,
  'analysis.set-last-unit-comes': ({ tag, units }: { tag: string; units: string }) =>
    `${tag} is set as the last unit, but ${units} comes after it.`,
  'analysis.last-unit-switch-off': ({ tag }: { tag: string }) =>
    `${tag} is the last unit, and its switch for that is off.`,
  'analysis.before-reset': ({ present }: { present: string }) => `${present}, before reset`,
  'analysis.reset-pressed': 'Reset pressed',
  'analysis.channel-alone-open': ({ n }: { n: number }) => `Channel ${n} alone open`,
  'analysis.test-pulse': ({ n }: { n: number }) => `Test pulse ${n}`,
  'analysis.again-reset': ({ present }: { present: string }) => `${present} again, no reset`,
  'analysis.channel-stuck': ({ away, n }: { away: string; n: number }) => `${away}, channel ${n} stuck`,
  'analysis.channel-on-plus': ({ away, n }: { away: string; n: number }) =>
    `${away}, channel ${n} shorted to plus`,
  'analysis.channels-joined': ({ away }: { away: string }) => `${away}, channels joined`,
  'analysis.contactor-welded': 'Contactor welded',
  'analysis.contactor-welded-reset': 'Contactor welded, reset',
  'analysis.contactor-welded-after-reset': ({ present }: { present: string }) =>
    `${present}, contactor welded, after reset`,
  'analysis.cable-wires': 'cable and wires',
  'analysis.check-wiring-function-risk':
    'This is the check of wiring and function only. Risk assessment, performance level and validation belong to a competent person under the local law and standards.',
  'analysis.middle': 'Middle',
} as const;
