import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import { XMLParser, XMLValidator } from 'fast-xml-parser';
import { JobProblem } from '../model/index.ts';
import { beyondBounds } from './xmlBounds.ts';

/** A description file is not larger than this, bytes; the largest in the field are below a tenth of it. */
export const MAX_DESCRIPTION_BYTES = 10 * 1024 * 1024;

/** An element of an XML document: its attributes, its children in order by name. */
export interface XmlElement {
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: readonly XmlElement[];
}

type Node = Record<string, unknown> & { readonly ':@'?: Record<string, string> };

const refuse = (message: Message): never => {
  throw new JobProblem([{ path: '', message }]);
};

/**
 * Reads an XML document into elements.
 * @throws JobProblem for what is too large, damaged (with its line), or brings entities or a document type of its own.
 */
export function readXml(text: string): XmlElement {
  if (text.length > MAX_DESCRIPTION_BYTES)
    refuse(say('ioLink.file-mb-most-mb', { text: text.length, maxDescriptionBytes: MAX_DESCRIPTION_BYTES }));
  if (/<!(DOCTYPE|ENTITY)/i.test(text)) refuse(say('ioLink.file-defines-document-type'));
  const beyond = beyondBounds(text);
  if (beyond) refuse(beyond);
  const sound = XMLValidator.validate(text);
  if (sound !== true) refuse(say('ioLink.file-damaged-line', { line: sound.err.line, msg: sound.err.msg }));
  const parser = new XMLParser({
    preserveOrder: true,
    ignoreAttributes: false,
    attributeNamePrefix: '',
    processEntities: true,
    parseAttributeValue: false,
    removeNSPrefix: false,
  });
  const roots = parsed(parser, text).flatMap(elementOf);
  const root = roots.find(({ name }) => !name.startsWith('?'));
  return root ?? refuse(say('ioLink.file-holds-ml-element'));
}

/** The parser refuses names that programs trip over; that too is a damaged file. */
function parsed(parser: XMLParser, text: string): Node[] {
  try {
    return parser.parse(text) as Node[];
  } catch (error) {
    const msg = error instanceof Error ? error.message : String(error);
    return refuse(say('ioLink.file-damaged-line', { line: 1, msg }));
  }
}

function elementOf(node: Node): XmlElement[] {
  const name = Object.keys(node).find((key) => key !== ':@');
  if (name === undefined || name === '#text') return [];
  const children = node[name];
  return [
    {
      name,
      attributes: node[':@'] ?? {},
      children: Array.isArray(children) ? (children as Node[]).flatMap(elementOf) : [],
    },
  ];
}

/** Children of a name. */
export const all = (element: XmlElement | undefined, name: string): XmlElement[] =>
  element?.children.filter((child) => child.name === name) ?? [];

/** The first element along a path of names. */
export function at(element: XmlElement | undefined, ...path: readonly string[]): XmlElement | undefined {
  return path.reduce<XmlElement | undefined>((now, name) => all(now, name)[0], element);
}
