import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import type { Condition, DescribedProcessData } from './descriptionTypes.ts';
import { unscaled } from './processData.ts';
import type { BusParameter } from './describedParameters.ts';
import type { KnownDescription } from './knownDescription.ts';

/** The process data that a device exchanges now, or what must be known first. */
export type InForce =
  | { readonly data: DescribedProcessData | undefined }
  | { readonly data?: undefined; readonly unknown: Message };

/**
 * Which of its process data a device exchanges, where that hangs on a parameter. Nothing is guessed: as long as the
 * parameter's value is not known, it says so.
 * @param valueOf what a parameter is known to hold, as the device shows it, by the parameter's key.
 */
export function processDataInForce(
  { description, parameters }: KnownDescription,
  valueOf: (key: string) => string | undefined,
): InForce {
  const { processData, variables } = description;
  const always = processData.find(({ condition }) => condition === undefined);
  let open: Message | undefined;
  for (const data of processData) {
    if (!data.condition) continue;
    const { variableId, subindex = 0 } = data.condition;
    const index = variables.find(({ id }) => id === variableId)?.index;
    const parameter = parameters.find((p) => p.index === index && p.subindex === subindex);
    const name = parameter?.label ?? variableId;
    const value = parameter && valueOf(parameter.key);
    if (value === undefined) return { unknown: say('ioLink.condition-unread', { parameter: name }) };
    if (isMet(data.condition, parameter, value)) return { data };
    open = say('ioLink.condition-none', { parameter: name, value });
  }
  return always || !open ? { data: always } : { unknown: open };
}

const asNumber = (text: string): number => (text === 'true' ? 1 : text === 'false' ? 0 : Number(text));

function isMet({ value }: Condition, parameter: BusParameter | undefined, shown: string): boolean {
  const scale = parameter?.kind === 'number' ? parameter.scale : undefined;
  const raw = scale ? unscaled(Number(shown), scale) : asNumber(shown);
  return raw === asNumber(value);
}
