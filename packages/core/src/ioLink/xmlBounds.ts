import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';

/** Far beyond what a description file has (its schema nests 14 deep), and far below what takes long to read. */
const MAX_DEPTH = 64;
const MAX_ATTRIBUTES = 100;
const MAX_ELEMENTS = 200_000;

/**
 * What of an XML text would take a reader without end: nesting, attributes of an element, elements. Looked through once,
 * sign by sign, before anything reads it. @returns the refusal, nothing where it can be read.
 */
export function beyondBounds(text: string): Message | undefined {
  let [depth, elements] = [0, 0];
  for (let at = text.indexOf('<'); at >= 0; at = text.indexOf('<', at)) {
    const closed = skipped(text, at);
    if (closed !== undefined) {
      at = closed;
      continue;
    }
    if (text.charAt(at + 1) === '/') {
      depth--;
      at += 2;
      continue;
    }
    const tag = tagAt(text, at + 1);
    if (tag.attributes > MAX_ATTRIBUTES) return say('ioLink.many-attributes', { most: MAX_ATTRIBUTES });
    if (++elements > MAX_ELEMENTS) return say('ioLink.many-elements', { most: MAX_ELEMENTS });
    if (!tag.isEmpty && ++depth > MAX_DEPTH) return say('ioLink.nested-too-deep', { most: MAX_DEPTH });
    at = tag.end;
  }
  return undefined;
}

/** Where a comment, a section of characters or an instruction ends; nothing where none begins. */
function skipped(text: string, at: number): number | undefined {
  for (const [start, end] of [
    ['<!--', '-->'],
    ['<![CDATA[', ']]>'],
    ['<?', '?>'],
    ['<!', '>'],
  ] as const)
    if (text.startsWith(start, at)) {
      const found = text.indexOf(end, at + start.length);
      return found < 0 ? text.length : found + end.length;
    }
  return undefined;
}

/** The tag that begins at a sign: how many values it gives, whether it closes itself, and where it ends. */
function tagAt(text: string, from: number): { attributes: number; isEmpty: boolean; end: number } {
  let attributes = 0;
  let at = from;
  for (; at < text.length; at++) {
    const sign = text.charAt(at);
    if (sign === '>' || sign === '<') break;
    if (sign === '"' || sign === "'") {
      const end = text.indexOf(sign, at + 1);
      at = end < 0 ? text.length : end;
      attributes++;
    }
  }
  return { attributes, isEmpty: text.charAt(at - 1) === '/', end: at };
}
