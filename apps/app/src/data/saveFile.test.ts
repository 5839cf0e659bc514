import { fileName } from './saveFile';

test('a file name keeps the letters of every language', () => {
  expect(fileName('Kläranlage Süd / Öltank 3', 'csv')).toBe('kläranlage-süd-öltank-3.csv');
  expect(fileName('  ', 'json')).toBe('job.json');
});
