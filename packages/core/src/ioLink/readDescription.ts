import { sure } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import { JobProblem, refuse } from '../model/index.ts';
import { layoutProblems } from './processData.ts';
import type { Scale, SimpleType } from './processData.ts';
import type {
  Access,
  Allowed,
  DescribedItem,
  DescribedMenu,
  DescribedProcessData,
  DescribedRecord,
  DescribedVariable,
  IoLinkDescription,
  MenuLine,
} from './descriptionTypes.ts';
import { all, at, readXml } from './xmlTree.ts';
import type { XmlElement } from './xmlTree.ts';
import { unitText } from './unitCodes.ts';

/** Namespaces of the description format that are read: versions 1.0.1 and 1.1. */
const KNOWN = ['http://www.io-link.com/IODD/2009/11', 'http://www.io-link.com/IODD/2010/10'];

/** Variables that every device has, by their standard ids, with index and words (IO-Link Interface, annex B.2). */
const STANDARD: Readonly<Record<string, { index: number; name: string; access: Access; bytes: number }>> = {
  V_VendorName: { index: 16, name: 'Vendor name', access: 'ro', bytes: 64 },
  V_VendorText: { index: 17, name: 'Vendor text', access: 'ro', bytes: 64 },
  V_ProductName: { index: 18, name: 'Product name', access: 'ro', bytes: 64 },
  V_ProductID: { index: 19, name: 'Product id', access: 'ro', bytes: 64 },
  V_ProductText: { index: 20, name: 'Product text', access: 'ro', bytes: 64 },
  V_SerialNumber: { index: 21, name: 'Serial number', access: 'ro', bytes: 16 },
  V_HardwareRevision: { index: 22, name: 'Hardware revision', access: 'ro', bytes: 64 },
  V_FirmwareRevision: { index: 23, name: 'Firmware revision', access: 'ro', bytes: 64 },
  V_ApplicationSpecificTag: { index: 24, name: 'Tag of the application', access: 'rw', bytes: 32 },
};

/**
 * Reads a device description (IODD, the open XML of IEC 61131-9) with its texts in the primary language.
 * @throws JobProblem for what is no such file, is damaged, of an unknown version, or contradicts itself; says where.
 */
export function readDescription(text: string): IoLinkDescription {
  const root = readXml(text);
  if (root.name !== 'IODevice') refuse(say('ioLink.file-begins-device-description', { rootName: root.name }));
  const namespace = root.attributes.xmlns ?? '';
  if (!KNOWN.includes(namespace)) refuse(say('ioLink.file-version-known-known', { namespace, known: KNOWN }));
  const reader = new Reader(root);
  const description = reader.read();
  const problems = reader.problems;
  if (problems.length) throw new JobProblem(problems.slice(0, 20));
  return description;
}

class Reader {
  readonly problems: { path: string; message: Message }[] = [];
  private readonly body: XmlElement;
  private readonly func: XmlElement;
  private readonly root: XmlElement;
  private readonly texts: ReadonlyMap<string, string>;
  private readonly datatypes: ReadonlyMap<string, XmlElement>;

  constructor(root: XmlElement) {
    this.root = root;
    this.body = at(root, 'ProfileBody') ?? refuse(say('ioLink.file-lacks-profilebody'), 'ProfileBody');
    this.func =
      at(this.body, 'DeviceFunction') ?? refuse(say('ioLink.file-lacks-devicefunction'), 'DeviceFunction');
    const language = at(root, 'ExternalTextCollection', 'PrimaryLanguage');
    this.texts = new Map(
      all(language, 'Text').map(({ attributes }) => [attributes.id ?? '', attributes.value ?? '']),
    );
    this.datatypes = new Map(
      all(at(this.func, 'DatatypeCollection'), 'Datatype').map((type) => [type.attributes.id ?? '', type]),
    );
  }

  read(): IoLinkDescription {
    const identity =
      at(this.body, 'DeviceIdentity') ?? refuse(say('ioLink.file-lacks-device-identity'), 'DeviceIdentity');
    const network = at(this.root, 'CommNetworkProfile');
    const physical = at(network, 'TransportLayers', 'PhysicalLayer');
    const bitrate = physical?.attributes.bitrate ?? 'COM2';
    const variables = this.variables();
    return {
      vendorId: this.whole(identity, 'vendorId'),
      deviceId: this.whole(identity, 'deviceId'),
      vendor: identity.attributes.vendorName ?? '',
      name: this.named(at(identity, 'DeviceName')),
      products: all(at(identity, 'DeviceVariantCollection'), 'DeviceVariant').map((variant) => ({
        id: variant.attributes.productId ?? '',
        name: this.named(at(variant, 'Name') ?? at(variant, 'ProductName')),
      })),
      fileVersion: at(this.root, 'DocumentInfo')?.attributes.version ?? '',
      revision: network?.attributes.iolinkRevision ?? '',
      bitrate: bitrate === 'COM1' || bitrate === 'COM3' ? bitrate : 'COM2',
      minCycleMicroseconds: Number(physical?.attributes.minCycleTime ?? 0),
      variables,
      processData: this.processData(),
      menus: this.menus(new Set(variables.map(({ id }) => id))),
    };
  }

  private problem(path: string, message: Message): void {
    this.problems.push({ path, message });
  }

  /** A text by the id that an element refers to; the id itself where the file lacks the text. */
  private named(element: XmlElement | undefined): string {
    const id = element?.attributes.textId;
    return id === undefined ? '' : (this.texts.get(id) ?? id);
  }

  private whole(element: XmlElement, name: string, otherwise?: number): number {
    const text = element.attributes[name];
    const value = Number(text ?? otherwise);
    if (!Number.isInteger(value) || value < 0) {
      this.problem(`${element.name} ${name}`, say('ioLink.whole-number-0-up', { text: text ?? '' }));
      return 0;
    }
    return value;
  }

  private variables(): DescribedVariable[] {
    const collection = at(this.func, 'VariableCollection');
    const standard = all(collection, 'StdVariableRef').flatMap(({ attributes }): DescribedVariable[] => {
      const known = STANDARD[attributes.id ?? ''];
      if (!known) return [];
      return [
        {
          id: sure(attributes.id),
          index: known.index,
          name: known.name,
          description: '',
          access: known.access,
          type: { kind: 'string', bytes: known.bytes },
          allowed: { values: [], ranges: [] },
          ...(attributes.defaultValue !== undefined && { factory: attributes.defaultValue }),
        },
      ];
    });
    const own = all(collection, 'Variable').map((variable) => this.variable(variable));
    const seen = new Map<number, string>();
    for (const { id, index } of [...standard, ...own]) {
      const before = seen.get(index);
      if (before !== undefined) this.problem(`Variable ${id}`, say('ioLink.index-too', { index, before }));
      seen.set(index, id);
    }
    return [...standard, ...own].sort((a, b) => a.index - b.index);
  }

  private variable(variable: XmlElement): DescribedVariable {
    const id = variable.attributes.id ?? '';
    const datatype = this.datatypeIn(variable, `Variable ${id}`);
    const access = variable.attributes.accessRights;
    if (access !== 'ro' && access !== 'rw' && access !== 'wo')
      this.problem(`Variable ${id}`, say('ioLink.access-ro-rw-wo', { access: access ?? '' }));
    const record = datatype?.attributes['xsi:type'] === 'RecordT';
    return {
      id,
      index: this.whole(variable, 'index'),
      name: this.named(at(variable, 'Name')),
      description: this.named(at(variable, 'Description')),
      access: access === 'rw' || access === 'wo' ? access : 'ro',
      type:
        datatype && record
          ? {
              kind: 'record',
              bitLength: this.whole(datatype, 'bitLength'),
              items: this.items(datatype, `Variable ${id}`),
            }
          : this.simple(datatype, `Variable ${id}`),
      allowed: this.allowed(datatype),
      ...(variable.attributes.defaultValue !== undefined && { factory: variable.attributes.defaultValue }),
    };
  }

  /** The type that stands in an element, or that it refers to. */
  private datatypeIn(element: XmlElement, path: string): XmlElement | undefined {
    const own = at(element, 'Datatype') ?? at(element, 'SimpleDatatype');
    if (own) return own;
    const id = at(element, 'DatatypeRef')?.attributes.datatypeId ?? '';
    const referred = this.datatypes.get(id);
    if (!referred) this.problem(path, say('ioLink.refers-type-which-file', { id }));
    return referred;
  }

  private simple(datatype: XmlElement | undefined, path: string): SimpleType {
    const kind = datatype?.attributes['xsi:type'];
    switch (kind) {
      case 'BooleanT':
        return { kind: 'boolean' };
      case 'UIntegerT':
        return { kind: 'uint', bits: this.whole(sure(datatype), 'bitLength') };
      case 'IntegerT':
        return { kind: 'int', bits: this.whole(sure(datatype), 'bitLength') };
      case 'Float32T':
        return { kind: 'float32' };
      case 'StringT':
      case 'OctetStringT':
        return {
          kind: kind === 'StringT' ? 'string' : 'octets',
          bytes: this.whole(sure(datatype), 'fixedLength', 0) || this.whole(sure(datatype), 'length', 0) || 1,
        };
      case 'ArrayT':
        return { kind: 'booleans', count: this.whole(sure(datatype), 'count') };
      default:
        if (datatype) this.problem(path, say('ioLink.type-known-here', { kind: kind ?? '' }));
        return { kind: 'uint', bits: 8 };
    }
  }

  private items(record: XmlElement, path: string): DescribedItem[] {
    return all(record, 'RecordItem').map((item) => {
      const subindex = this.whole(item, 'subindex');
      const type = this.datatypeIn(item, `${path} item ${subindex}`);
      return {
        name: this.named(at(item, 'Name')) || `item ${subindex}`,
        subindex,
        bitOffset: this.whole(item, 'bitOffset'),
        type: this.simple(type, `${path} item ${subindex}`),
        allowed: this.allowed(type),
      };
    });
  }

  private allowed(datatype: XmlElement | undefined): Allowed {
    return {
      values: all(datatype, 'SingleValue').map((single) => ({
        value: single.attributes.value ?? '',
        name: this.named(at(single, 'Name')),
      })),
      ranges: all(datatype, 'ValueRange').map(({ attributes }) => ({
        min: Number(attributes.lowerValue),
        max: Number(attributes.upperValue),
      })),
    };
  }

  private processData(): DescribedProcessData[] {
    const scales = this.processScales();
    return all(at(this.func, 'ProcessDataCollection'), 'ProcessData').map((data) => {
      const id = data.attributes.id ?? '';
      const input = this.record(at(data, 'ProcessDataIn'), scales);
      const output = this.record(at(data, 'ProcessDataOut'), scales);
      return { id, ...(input && { input }), ...(output && { output }) };
    });
  }

  private record(
    side: XmlElement | undefined,
    scales: ReadonlyMap<string, ReadonlyMap<number, Scale>>,
  ): DescribedRecord | undefined {
    if (!side) return undefined;
    const id = side.attributes.id ?? '';
    const path = `${side.name} ${id}`;
    const datatype = this.datatypeIn(side, path);
    const bitLength = this.whole(side, 'bitLength');
    const own = scales.get(id);
    const bare: DescribedItem[] =
      datatype?.attributes['xsi:type'] === 'RecordT'
        ? this.items(datatype, path)
        : [
            {
              name: this.named(at(side, 'Name')) || 'value',
              subindex: 0,
              bitOffset: 0,
              type: this.simple(datatype, path),
              allowed: this.allowed(datatype),
            },
          ];
    const items = bare.map((item) => {
      const scale = own?.get(item.subindex);
      return scale ? { ...item, scale } : item;
    });
    for (const message of layoutProblems({ bitLength, items })) this.problem(path, message);
    return { bitLength, items };
  }

  /** Gradient, offset and unit of process data by record and subindex. */
  private processScales(): Map<string, Map<number, Scale>> {
    const refs = all(
      at(this.body, 'DeviceFunction', 'UserInterface', 'ProcessDataRefCollection'),
      'ProcessDataRef',
    );
    return new Map(
      refs.map((ref) => {
        const whole = scaleOf(ref);
        const items = all(ref, 'ProcessDataRecordItemInfo').flatMap((info): [number, Scale][] => {
          const scale = scaleOf(info);
          return scale ? [[Number(info.attributes.subindex), scale]] : [];
        });
        return [ref.attributes.processDataId ?? '', new Map(whole ? [[0, whole], ...items] : items)];
      }),
    );
  }

  private menus(known: ReadonlySet<string>): DescribedMenu[] {
    const collection = all(at(this.func, 'UserInterface', 'MenuCollection'), 'Menu');
    const ids = new Set(collection.map(({ attributes }) => attributes.id ?? ''));
    return collection.map((menu) => {
      const id = menu.attributes.id ?? '';
      return {
        id,
        name: this.named(at(menu, 'Name')),
        lines: menu.children.flatMap((line): MenuLine[] => this.menuLine(line, id, known, ids)),
      };
    });
  }

  private menuLine(
    line: XmlElement,
    menu: string,
    known: ReadonlySet<string>,
    ids: ReadonlySet<string>,
  ): MenuLine[] {
    if (line.name === 'MenuRef') {
      const menuId = line.attributes.menuId ?? '';
      if (!ids.has(menuId)) this.problem(`Menu ${menu}`, say('ioLink.refers-menu-which-file', { menuId }));
      return [{ kind: 'menu', menuId }];
    }
    if (line.name !== 'VariableRef' && line.name !== 'RecordItemRef') return [];
    const variableId = line.attributes.variableId ?? '';
    // Standard variables that stand for no parameter here are left out.
    if (!known.has(variableId)) {
      if (!variableId.startsWith('V_'))
        this.problem(`Menu ${menu}`, say('ioLink.refers-variable-which-file', { variableId }));
      return [];
    }
    const scale = scaleOf(line);
    return [
      {
        kind: 'variable',
        variableId,
        ...(line.name === 'RecordItemRef' && { subindex: this.whole(line, 'subindex') }),
        ...(scale && { scale }),
      },
    ];
  }
}

function scaleOf({ attributes }: XmlElement): Scale | undefined {
  const { gradient, offset, unitCode } = attributes;
  if (gradient === undefined && offset === undefined && unitCode === undefined) return undefined;
  return {
    gradient: Number(gradient ?? 1),
    offset: Number(offset ?? 0),
    unit: unitCode === undefined ? '' : unitText(Number(unitCode)),
  };
}
