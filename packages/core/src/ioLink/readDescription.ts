import { sure } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import { JobProblem, refuse } from '../model/index.ts';
import { bitsOf, layoutProblems } from './processData.ts';
import type { Scale, SimpleType } from './processData.ts';
import type {
  Allowed,
  Condition,
  DescribedItem,
  DescribedMenu,
  DescribedProcessData,
  DescribedRecord,
  DescribedVariable,
  IoLinkDescription,
  MenuLine,
} from './descriptionTypes.ts';
import { STANDARD_VARIABLES } from './standardVariables.ts';
import { all, at, readXml } from './xmlTree.ts';
import type { XmlElement } from './xmlTree.ts';
import { unitText } from './unitCodes.ts';

/** Namespaces of the description format that are read: versions 1.0.1 and 1.1. */
const KNOWN = ['http://www.io-link.com/IODD/2009/11', 'http://www.io-link.com/IODD/2010/10'];

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
  private readonly unread = new Map<string, Message>();
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
      unread: [...this.unread.values()],
    };
  }

  private problem(path: string, message: Message): void {
    this.problems.push({ path, message });
  }

  /** Notes what the file says and is not understood here, once. */
  private leave(key: string, message: Message): void {
    this.unread.set(key, message);
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
      const known = STANDARD_VARIABLES[attributes.id ?? ''];
      if (!known) {
        const id = attributes.id ?? '';
        this.leave(id, say('ioLink.standard-variable-unread', { id }));
        return [];
      }
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
    const name = this.named(at(variable, 'Name'));
    const items = this.itemsIn(datatype, name, `Variable ${id}`);
    return {
      id,
      index: this.whole(variable, 'index'),
      name,
      description: this.named(at(variable, 'Description')),
      access: access === 'rw' || access === 'wo' ? access : 'ro',
      type:
        datatype && items
          ? { kind: 'record', bitLength: this.bitsIn(datatype, items), items }
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
      case 'TimeT':
        return { kind: 'time' };
      case 'TimeSpanT':
        return { kind: 'span' };
      case 'ArrayT':
        return { kind: 'booleans', count: this.whole(sure(datatype), 'count') };
      default:
        if (datatype) this.problem(path, say('ioLink.type-known-here', { kind: kind ?? '' }));
        return { kind: 'uint', bits: 8 };
    }
  }

  /** The items of a record, or of an array that is not of Booleans; nothing for a simple type. */
  private itemsIn(datatype: XmlElement | undefined, name: string, path: string): DescribedItem[] | undefined {
    const kind = datatype?.attributes['xsi:type'];
    if (datatype && kind === 'RecordT') return this.items(datatype, path);
    if (!datatype || kind !== 'ArrayT') return undefined;
    const element = this.datatypeIn(datatype, path);
    const type = this.simple(element, path);
    if (type.kind === 'boolean') return undefined;
    const count = this.whole(datatype, 'count');
    const allowed = this.allowed(element);
    // The first stands highest, without gaps (IO-Link Interface and System Specification, annex F.3.2).
    return Array.from({ length: count }, (_, i) => ({
      name: `${name || 'value'} ${i + 1}`,
      subindex: i + 1,
      bitOffset: (count - 1 - i) * bitsOf(type),
      type,
      allowed,
    }));
  }

  private bitsIn(datatype: XmlElement, items: readonly DescribedItem[]): number {
    return datatype.attributes['xsi:type'] === 'RecordT'
      ? this.whole(datatype, 'bitLength')
      : items.reduce((sum, { type }) => sum + bitsOf(type), 0);
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
      const condition = this.condition(at(data, 'Condition'));
      return { id, ...(condition && { condition }), ...(input && { input }), ...(output && { output }) };
    });
  }

  private condition(condition: XmlElement | undefined): Condition | undefined {
    if (!condition) return undefined;
    const { variableId = '', subindex, value = '' } = condition.attributes;
    return {
      variableId,
      value,
      ...(subindex !== undefined && { subindex: this.whole(condition, 'subindex') }),
    };
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
    const name = this.named(at(side, 'Name')) || 'value';
    const bare: DescribedItem[] = this.itemsIn(datatype, name, path) ?? [
      {
        name,
        subindex: 0,
        bitOffset: 0,
        type: this.simple(datatype, path),
        allowed: this.allowed(datatype),
      },
    ];
    const items = bare.map((item) => {
      // What is said of the whole holds for each of an array that has nothing of its own.
      const scale = own?.get(item.subindex) ?? own?.get(0);
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
        const info = at(ref, 'ProcessDataInfo');
        const whole = info && this.scaleOf(info);
        const items = all(ref, 'ProcessDataRecordItemInfo').flatMap((info): [number, Scale][] => {
          const scale = this.scaleOf(info);
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
    const scale = this.scaleOf(line);
    return [
      {
        kind: 'variable',
        variableId,
        ...(line.name === 'RecordItemRef' && { subindex: this.whole(line, 'subindex') }),
        ...(scale && { scale }),
      },
    ];
  }

  private scaleOf({ attributes }: XmlElement): Scale | undefined {
    const { gradient, offset, unitCode } = attributes;
    if (gradient === undefined && offset === undefined && unitCode === undefined) return undefined;
    const unit = unitCode === undefined ? '' : unitText(Number(unitCode));
    if (unit === undefined)
      this.leave(`unit ${unitCode}`, say('ioLink.unit-unread', { code: unitCode ?? '' }));
    return {
      gradient: Number(gradient ?? 1),
      offset: Number(offset ?? 0),
      unit: unit ?? `unit ${unitCode}`,
    };
  }
}
