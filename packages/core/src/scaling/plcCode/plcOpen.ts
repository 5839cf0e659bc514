import { XMLBuilder } from 'fast-xml-parser';
import { printBlockBody, printBody } from './print.ts';
import type { Instance, PlcBlock, PlcFunction, Variable } from './program.ts';

const BUILDER = new XMLBuilder({
  ignoreAttributes: false,
  attributeNamePrefix: '@',
  format: true,
  suppressEmptyNode: true,
  suppressBooleanAttributes: false,
});

const scale = { scaling: { '@x': '1', '@y': '1' } };

const variables = (list: readonly Variable[]) => ({
  variable: list.map(({ name, type }) => ({ '@name': name, type: { [type]: '' } })),
});

const instances = (list: readonly Instance[]) => ({
  variable: list.map(({ name, type }) => ({ '@name': name, type: { derived: { '@name': type } } })),
});

const bodyOf = (text: string) => ({
  ST: { xhtml: { '@xmlns': 'http://www.w3.org/1999/xhtml', '#text': text } },
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
  };
}

/**
 * Functions and function blocks as an open PLCopen XML document (IEC 61131-10; scheme tc6_0201), to be brought into a controller's project.
 * @param at when it was made, ISO 8601; the core has no clock.
 */
export function plcOpenXml(project: string, units: readonly (PlcFunction | PlcBlock)[], at: string): string {
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
          pou: units.map((unit) => ('returns' in unit ? functionPou(unit) : blockPou(unit))),
        },
      },
      instances: { configurations: '' },
    },
  });
}
