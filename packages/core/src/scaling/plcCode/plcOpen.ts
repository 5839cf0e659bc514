import { XMLBuilder } from 'fast-xml-parser';
import { printBody } from './print.ts';
import type { PlcFunction, Variable } from './program.ts';

const BUILDER = new XMLBuilder({
  ignoreAttributes: false,
  attributeNamePrefix: '@',
  format: true,
  suppressEmptyNode: true,
});

const scale = { scaling: { '@x': '1', '@y': '1' } };

const variables = (list: readonly Variable[]) => ({
  variable: list.map(({ name, type }) => ({ '@name': name, type: { [type]: '' } })),
});

/**
 * Functions as an open PLCopen XML document (IEC 61131-10; scheme tc6_0201), to be brought into a controller's project.
 * @param at when it was made, ISO 8601; the core has no clock.
 */
export function plcOpenXml(project: string, functions: readonly PlcFunction[], at: string): string {
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
          pou: functions.map((fn) => ({
            '@name': fn.name,
            '@pouType': 'function',
            interface: {
              returnType: { [fn.returns]: '' },
              inputVars: variables(fn.inputs),
              ...(fn.locals.length && { localVars: variables(fn.locals) }),
            },
            body: { ST: { xhtml: { '@xmlns': 'http://www.w3.org/1999/xhtml', '#text': printBody(fn) } } },
          })),
        },
      },
      instances: { configurations: '' },
    },
  });
}
