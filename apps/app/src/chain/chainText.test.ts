import { wireSize } from '../ui/shownUnits';
import { linkShown, spreadShown } from './chainText';

const LINK = { label: 'Temperature', unit: '°C', digits: 1, range: '0 to 100', ends: { low: 0, high: 100 } };

test('a link is shown in the units that were chosen, its ends and its digits with it', () => {
  expect(linkShown('value', LINK, 50, 'metric')).toEqual({ words: LINK, number: '50.0' });
  const shown = linkShown('value', LINK, 50, 'us');
  expect(shown.number).toMatch(/^122(\.0+)?$/);
  expect(shown.words).toMatchObject({ unit: '°F', range: '32 to 212' });
});

test('signals stay what they are', () => {
  const signal = { label: 'At the input', unit: 'mA', digits: 2, range: '4 to 20' };
  expect(linkShown('input', signal, 12, 'us')).toEqual({ words: signal, number: '12.00' });
});

test('a difference is converted without the zero of its scale', () => {
  expect(spreadShown(0.5, '°C', 'us')).toBeCloseTo(0.9, 12);
  expect(spreadShown(0.5, 'mA', 'us')).toBe(0.5);
  expect(spreadShown(undefined, '°C', 'us')).toBeUndefined();
});

test('a wire is told in feet and the usual gauge, its section beside it', () => {
  expect(wireSize({ mm2: 1.5, lengthM: 10 }, 'us').map((text) => text.replaceAll('\u00a0', ' '))).toEqual([
    'about AWG 16 (1.5 mm²)',
    '32.8 ft',
  ]);
});
