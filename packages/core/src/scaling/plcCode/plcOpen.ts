import { XMLBuilder } from 'fast-xml-parser';
import { calledBy, instancesOf, literal, printBlockBody, printBody, printCalls } from './print.ts';
import type { Constant, Instance, PlcBlock, PlcFunction, PlcProgram, Variable } from './program.ts';

const BUILDER = new XMLBuilder({
  ignoreAttributes: false,
  attributeNamePrefix: '@',
  format: true,
  suppressEmptyNode: true,
  suppressBooleanAttributes: false,
});

const XHTML = 'http://www.w3.org/1999/xhtml';

const scale = { scaling: { '@x': '1', '@y': '1' } };

const words = (text: string | undefined) =>
  text ? { documentation: { xhtml: { '@xmlns': XHTML, '#text': text } } } : {};

const variables = (list: readonly Variable[]) => ({
  variable: list.map(({ name, type, comment }) => ({
    '@name': name,
    type: { [type]: '' },
    ...words(comment),
  })),
});

const constants = (list: readonly Constant[]) => ({
  '@constant': 'true',
  variable: list.map(({ name, type, value, comment }) => ({
    '@name': name,
    type: { [type]: '' },
    initialValue: { simpleValue: { '@value': literal(value, type) } },
    ...words(comment),
  })),
});

const instances = (list: readonly { readonly name: string; readonly type: string }[]) => ({
  variable: list.map(({ name, type }) => ({ '@name': name, type: { derived: { '@name': type } } })),
});

const bodyOf = (text: string) => ({
  ST: { xhtml: { '@xmlns': XHTML, '#text': text } },
});

const functionPou = (fn: PlcFunction) => ({
  '@name': fn.name,
  '@pouType': 'function',
  interface: {
    returnType: { [fn.returns]: '' },
    inputVars: variables(fn.inputs),
    ...(fn.locals.length && { localVars: variables(fn.locals) }),
  },
  body: bodyOf(printBody(fn)),
  ...words(fn.comment),
});

/** Whether a power cut leaves what an instance keeps. */
const isKept = ({ kept }: Instance): boolean => kept ?? false;

function blockPou(block: PlcBlock) {
  const kept = block.instances.filter(isKept);
  const others = block.instances.filter((instance) => !isKept(instance));
  const locals = [
    ...(block.locals.length ? [variables(block.locals)] : []),
    ...(kept.length ? [{ '@retain': 'true', ...instances(kept) }] : []),
    ...(others.length ? [instances(others)] : []),
  ];
  return {
    '@name': block.name,
    '@pouType': 'functionBlock',
    interface: {
      inputVars: variables(block.inputs),
      outputVars: variables(block.outputs),
      ...(locals.length && { localVars: locals }),
    },
    body: bodyOf(printBlockBody(block)),
    ...words(block.comment),
  };
}

function programPou(program: PlcProgram) {
  const called = instancesOf(program);
  const locals = [
    ...(program.constants.length ? [constants(program.constants)] : []),
    ...(program.variables.length ? [variables(program.variables)] : []),
    ...(called.length ? [instances(called)] : []),
  ];
  return {
    '@name': program.name,
    '@pouType': 'program',
    interface: { ...(locals.length && { localVars: locals }) },
    body: bodyOf(printCalls(program)),
    ...words(program.comment),
  };
}

/** How often the program is called, as the document proposes it. */
const CYCLE = 'T#100ms';

/**
 * A program with all that it calls as an open PLCopen XML document (IEC 61131-10; scheme tc6_0201), to be brought into
 * a controller's project.
 * @param at when it was made, ISO 8601; the core has no clock.
 */
export function plcOpenXml(project: string, program: PlcProgram, at: string): string {
  const stamp = at.replace(/\.\d+Z$/, 'Z');
  return BUILDER.build({
    '?xml': { '@version': '1.0', '@encoding': 'utf-8' },
    project: {
      '@xmlns': 'http://www.plcopen.org/xml/tc6_0201',
      fileHeader: {
        '@companyName': 'Key Post',
        '@productName': 'Key Post',
        '@productVersion': '1',
        '@creationDateTime': stamp,
      },
      contentHeader: {
        '@name': project,
        '@modificationDateTime': stamp,
        coordinateInfo: { fbd: scale, ld: scale, sfc: scale },
      },
      types: {
        dataTypes: '',
        pous: {
          pou: [
            ...calledBy(program).map((unit) => ('returns' in unit ? functionPou(unit) : blockPou(unit))),
            programPou(program),
          ],
        },
      },
      instances: {
        configurations: {
          configuration: {
            '@name': 'Controller',
            resource: {
              '@name': 'Processor',
              task: {
                '@name': 'Cycle',
                '@interval': CYCLE,
                '@priority': '1',
                pouInstance: { '@name': `Run_${program.name}`, '@typeName': program.name },
              },
            },
          },
        },
      },
    },
  });
}
