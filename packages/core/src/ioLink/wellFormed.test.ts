import { said } from '../../test/said.ts';
import { JobProblem } from '../model/index.ts';
import { flawIn } from './wellFormed.ts';
import { readXml } from './xmlTree.ts';

test.each([
  ['<a b="Otter & Reed"/>', 1],
  ['<a>\n  <b c="1 &amp 2"/>\n</a>', 2],
  ['<a>\n\n<b>x & y</b></a>', 3],
  ['<a b="x<y"/>', 1],
  ["<a\nb='x<y'/>", 2],
])('%j is not well-formed, and refused with its line', (text, line) => {
  expect(flawIn(text)?.line).toBe(line);
  try {
    readXml(text);
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
])('%j is', (text) => {
  expect(flawIn(text)).toBeUndefined();
  expect(readXml(text).name).toBe('a');
});
