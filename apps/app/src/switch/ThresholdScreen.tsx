import { effective } from '@keypost/core/scaling';
import type { OpenPoint } from '../point/usePoint';
import { ToolCard } from '../tools/ToolCard';
import { Beside } from '../ui/Beside';
import { ChainSubPage } from '../chain/ChainSubPage';
import { ThresholdCard } from './ThresholdCard';
import type { ChainMoment } from '../chain/useChain';

/** A threshold on a value: between which values it truly switches, how much hysteresis it needs, and how soon it acts. */
export function ThresholdScreen() {
  return (
    <ChainSubPage title="Threshold" of="switch" pair>
      {(point, { made }) => (
        <Beside
          left={<ThresholdCard point={point} made={made} />}
          right={<Around point={point} made={made} />}
        />
      )}
    </ChainSubPage>
  );
}

/** What stands at a device as its damping, ms; nothing where nobody said so. */
function dampingOf({ index, analysis }: OpenPoint): string | undefined {
  const { id } = analysis.context.device;
  const known = effective(index, id, 'damping');
  return known && Number.isFinite(Number(known.value)) ? String(1000 * Number(known.value)) : undefined;
}

/** The noise around it and the time until something acts, with what is known of the point. */
function Around({ point, made }: { point: OpenPoint; made: ChainMoment['made'] }) {
  const { unit } = made.chain.sensor;
  const damping = dampingOf(point);
  return (
    <>
      <ToolCard point={point} toolId="hysteresis" given={{ unit, known: 'readings' }} />
      <ToolCard point={point} toolId="reaction" given={{ unit, ...(damping && { damping }) }} />
    </>
  );
}
