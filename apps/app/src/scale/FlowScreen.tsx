import { convert } from '@keypost/core/units';
import { effective } from '@keypost/core/scaling';
import type { ToolValues } from '@keypost/core/tools';
import { PointSubPage } from '../point/PointSubPage';
import type { OpenPoint } from '../point/usePoint';
import { ToolCard } from '../tools/ToolCard';
import { Notice } from '../ui/Notice';

/** Flow: velocity, pulses, cut-off and coil, with the point's own numbers. */
export function FlowScreen() {
  return (
    <PointSubPage title="Flow" of="scale">
      {(point) => <Flow point={point} />}
    </PointSubPage>
  );
}

/** A fact of the name-plate as it was typed, or what stands at the device. */
function known({ index, analysis }: OpenPoint, key: string, plate = key): string | undefined {
  const { point, device } = analysis.context;
  return point.plate?.[plate] ?? effective(index, device.id, key)?.value;
}

/** A bare number on a name-plate counts in the fact's own unit. */
const withFlowUnit = (typed: string | undefined): string | undefined =>
  typed !== undefined && /^[\d.,\s]+$/.test(typed) ? `${typed} m³/h` : typed;

/** Whether the device's name-plate tells of a coil: only magnetic meters have one to measure. */
const hasCoil = ({ analysis }: OpenPoint): boolean =>
  analysis.context.type.handling?.plate.some(({ key }) => key === 'coil') ?? false;

/** What the counter takes on which the point is landed. */
function counterOf({ analysis }: OpenPoint): Record<string, string> {
  for (const { port } of analysis.context.ports)
    if (port.kind === 'digital' && port.counter)
      return { max: String(port.counter.maxHertz), min: String(port.counter.minPulse * 1000) };
  return {};
}

function Flow({ point }: { point: OpenPoint }) {
  const { range } = point.analysis.context.point;
  if (!range || convert(1, range.unit, 'm³/h') === undefined)
    return <Notice>This point has no range in a unit of flow.</Notice>;
  const some = (values: Record<string, string | undefined>): ToolValues =>
    Object.fromEntries(
      Object.entries(values).filter((entry): entry is [string, string] => entry[1] !== undefined),
    );
  const flow = { unit: range.unit, full: String(range.high) };
  const size = known(point, 'size');
  const counter = counterOf(point);
  return (
    <>
      <ToolCard point={point} toolId="velocity" given={some({ ...flow, size })} />
      <ToolCard
        point={point}
        toolId="cutoff"
        keep="Require this cut-off"
        given={some({
          ...flow,
          percent: known(point, 'cutoff'),
          lowest: withFlowUnit(known(point, 'lowest')),
        })}
      />
      <ToolCard
        point={point}
        toolId="pulse"
        keep="Require these pulses"
        given={some({
          ...flow,
          litres: known(point, 'pulseValue'),
          width: known(point, 'pulseWidth'),
          ...counter,
        })}
      />
      {hasCoil(point) && (
        <ToolCard point={point} toolId="coil" given={some({ nominal: known(point, 'coil') })} />
      )}
    </>
  );
}
