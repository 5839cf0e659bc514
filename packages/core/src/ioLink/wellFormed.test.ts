import { said } from '../../test/said.ts';
import { JobProblem } from '../model/index.ts';
import { refuseFlawed } from './wellFormed.ts';
import { readXml } from './xmlTree.ts';

test.each([
  ['<a b="Otter & Reed"/>', 1],
  ['<a>\n  <b c="1 &amp 2"/>\n</a>', 2],
  ['<a>\n\n<b>x & y</b></a>', 3],
  ['<a b="x<y"/>', 1],
  ["<a\nb='x<y'/>", 2],
])('%j is refused with its line when it comes in', (text, line) => {
  try {
    refuseFlawed(text);
    throw new Error('It was taken.');
  } catch (error) {
    expect(error).toBeInstanceOf(JobProblem);
    expect(said((error as JobProblem).problems[0]?.message ?? '')).toContain(`line=${line}`);
  }
});

test.each([
  '<a b="Otter &amp; Reed &#176; &#xB0; &quot;"/>',
  '<a><!-- x & y < z --><![CDATA[a & b < c]]></a>',
  '<?xml version="1.0"?><a b="x > y"/>',
])('%j is taken', (text) => {
  refuseFlawed(text);
  expect(readXml(text).name).toBe('a');
});

test('one that a job took when nobody looked is still read', () => {
  expect(readXml('<a b="Otter & Reed"/>').attributes).toEqual({ b: 'Otter & Reed' });
});
