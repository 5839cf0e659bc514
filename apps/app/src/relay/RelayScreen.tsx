import { freeTag } from '@keypost/core/job';
import { refusalText } from '../data/refusalText';
import { LAMP_IDS } from '@keypost/core/catalog';
import type { RelayTask, RelayRequest } from '@keypost/core/planning';
import { useEffect, useMemo, useState } from 'react';
import { PointSubPage } from '../point/PointSubPage';
import type { OpenPoint } from '../point/usePoint';
import { Notice } from '../ui/Notice';
import { Text } from '../ui/Text';
import { useTask } from '../workers/useTask';
import { TaskForm, FIRST_DUTIES } from './TaskForm';
import type { Tasks } from './TaskForm';
import { PlanPlates } from './PlanPlates';

/** Plans the relay behind a sensor from what is to be switched. */
export function RelayScreen() {
  return <PointSubPage title="Plan a relay">{(point) => <RelayPlanner point={point} />}</PointSubPage>;
}

/** The plan is worked out so long after the last change, ms. */
const PAUSE = 250;

/** Asks what the relay is to do, and shows the plan for that; what was planned for something else cannot be put in. */
export function RelayPlanner({ point }: { point: OpenPoint }) {
  const [tasks, setDuties] = useState<Tasks>(() => ({
    ...FIRST_DUTIES,
    tag: freeTag(point.view.content, 'K'),
  }));
  const request = useMemo(() => requestOf(tasks), [tasks]);
  const { start, cancel, answer, error, busy } = useTask('relay');
  const { content } = point.view;
  const { id } = point.analysis.context.point;
  const wanted = useMemo(() => ({ job: content, pointId: id, request }), [content, id, request]);
  const [asked, setAsked] = useState(wanted);
  useEffect(() => {
    if (!wanted.request.tasks.length) return cancel();
    const timer = setTimeout(() => {
      setAsked(wanted);
      start(wanted);
    }, PAUSE);
    return () => clearTimeout(timer);
  }, [wanted, start, cancel]);
  return (
    <>
      <TaskForm point={point} tasks={tasks} onChange={setDuties} />
      {!request.tasks.length && (
        <Text as="soft">Say what the relay is to switch, and the plan stands here.</Text>
      )}
      {error && <Notice>{refusalText(error)}</Notice>}
      {answer && request.tasks.length > 0 && !error && (
        <PlanPlates point={point} plan={answer} tag={tasks.tag} stale={busy || asked !== wanted} />
      )}
      {busy && !answer && <Text as="soft">Solving the circuit of each relay …</Text>}
    </>
  );
}

function requestOf({ tag, load, lampOn, lampOff, input, stack, suppressor }: Tasks): RelayRequest {
  const led = (volts: Tasks['lampOn'], own: string, on: 'present' | 'away'): RelayTask[] =>
    volts === 'none'
      ? []
      : [
          {
            kind: 'load',
            tag: own,
            typeId: LAMP_IDS[volts],
            on,
            bothLines: false,
          },
        ];
  const [moduleId, channel] = input.split(':');
  return {
    tag,
    suppressor,
    tasks: [
      ...(load.typeId
        ? [
            {
              kind: 'load',
              tag: load.tag,
              typeId: load.typeId,
              on: load.on,
              bothLines: load.bothLines,
            } as const,
          ]
        : []),
      ...led(lampOn, 'H1', 'present'),
      ...led(lampOff, 'H2', 'away'),
      ...(moduleId ? [{ kind: 'input', moduleId, channel: Number(channel), on: 'present' } as const] : []),
      ...(stack.common === 'none'
        ? []
        : stack.tiers.flatMap((on, i): RelayTask[] =>
            on === 'unused'
              ? []
              : [{ kind: 'tier', tag: 'SL1', tier: i + 1, on, common: stack.common as 'minus' }],
          )),
    ],
  };
}
