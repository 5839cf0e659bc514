import { say } from '../../messages/index.ts';
import { refText } from '../../job/index.ts';
import { shortsOf } from '../../network/index.ts';
import type { PointContext } from '../../network/index.ts';
import type { Remedy } from './remedy.ts';

/** A wire of the panel that shorts a supply of the point, taken out, or put back where it is planned. */
export function openShorts(context: PointContext): Remedy[] {
  const { index } = context;
  return shortsOf(context).flatMap(({ wires }) =>
    wires.map(({ id, number, from, to }): Remedy => {
      const planned = index.job.wires.find((wire) => wire.id === id);
      return planned?.asFound
        ? {
            sentence: say('remedy.wire-as-planned', {
              number,
              from: refText(index, planned.from),
              to: refText(index, planned.to),
            }),
            change: { kind: 'landWire', wireId: id, asFound: null },
          }
        : {
            sentence: say('remedy.take-wire-out', {
              number,
              from: refText(index, from),
              to: refText(index, to),
            }),
            change: { kind: 'removeWire', wireId: id },
          };
    }),
  );
}
