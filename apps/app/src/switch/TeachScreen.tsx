import { ChainSubPage } from '../chain/ChainSubPage';
import { ToolCard } from '../tools/ToolCard';

/** Teach at a point: whether its readings are steady, what to set, and whether that keeps far enough apart. */
export function TeachScreen() {
  return (
    <ChainSubPage title="Teach" of="switch">
      {(point, { made }) => (
        <ToolCard point={point} toolId="teach" given={{ unit: made.chain.sensor.unit }} />
      )}
    </ChainSubPage>
  );
}
