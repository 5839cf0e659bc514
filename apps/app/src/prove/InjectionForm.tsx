import { textOf } from '@keypost/core/messages';
import { chainOf, MIN_RATIO } from '@keypost/core/scaling';
import { injectionChecks, plannedSteps, sourceRatio } from '@keypost/core/proving';
import { plain } from '@keypost/core/units';
import { unlessRefused } from '@keypost/core/model';
import type { PointChain } from '@keypost/core/scaling';
import type { Result } from '@keypost/core/model';
import { useMemo, useState } from 'react';
import type { OpenPoint } from '../point/usePoint';
import { Caution, Notice } from '../ui/Notice';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';
import { BenchFields } from './BenchFields';
import { useBench } from '../chain/useBench';
import type { Given } from '../chain/useBench';
import { InstrumentFields, useInstrument } from './InstrumentFields';
import { InjectionStepRow } from './InjectionStepRow';
import { StoreEntries } from './StoreEntries';
import { useEntries } from './useEntries';

/** The injection of a point: up and down through its range and beyond, read at controller and screen. */
export function InjectionForm({ point, latest }: { point: OpenPoint; latest: ReadonlyMap<string, Result> }) {
  const made = chainOf(point.analysis);
  if (!made || 'problem' in made) return <Notice>{textOf(made?.problem ?? '')}</Notice>;
  return <Injection point={point} made={made} latest={latest} />;
}

/** Every step with its checks, for what was truly injected where a source told that. */
const stepsOf = ({ analysis }: OpenPoint, made: PointChain, given: Readonly<Record<string, Given>>) =>
  plannedSteps(made).map((planned) => ({
    planned,
    checks:
      unlessRefused(() => injectionChecks(analysis, made, planned, given[planned.step.key]?.injected)) ?? [],
  }));

function Injection({
  point,
  made,
  latest,
}: {
  point: OpenPoint;
  made: PointChain;
  latest: ReadonlyMap<string, Result>;
}) {
  const { unit } = made.chain.sensor.signal;
  const bench = useBench(unit);
  const { instrument, fields, problem } = useInstrument(made.data ? 'gauge' : 'source', unit);
  const { given } = bench;
  // Each limit is a circuit solved with one tolerance at a time: not again with every key that is pressed.
  const steps = useMemo(() => stepsOf(point, made, given), [point, made, given]);
  const checks = steps.flatMap((step) => step.checks);
  const entered = useEntries(point, 'injection', checks, instrument);
  const undone = steps.findIndex((step) => step.checks.some(({ key }) => !latest.get(key)?.pass));
  const [open, setOpen] = useState(undone);
  return (
    <>
      <Card
        title={made.data ? 'Set real values and measure them' : 'Inject in place of the sensor'}
        aside={<Text as="mono">{unit}</Text>}
      >
        <Row first className="gap-2">
          <Text as="soft">
            {made.data
              ? 'No source stands in for it. Bring about each value, measure it with a tape or gauge, and read the controller while its port says connected and valid.'
              : 'Take the sensor off and put the source on its wires. Go up, then down, then beyond.'}
          </Text>
          <Caution>
            {`What hangs on this value acts on what you ${made.data ? 'set' : 'inject'}. Tell the operator, and block what could start or trip.`}
          </Caution>
        </Row>
        {steps.map((step, i) => (
          <InjectionStepRow
            key={step.planned.step.key}
            {...step}
            isReal={made.data !== undefined}
            bench={bench}
            entered={entered}
            latest={latest}
            instrument={instrument}
            open={open === i}
            onOpen={() => setOpen(open === i ? -1 : i)}
            onNext={i + 1 < steps.length ? () => setOpen(i + 1) : undefined}
          />
        ))}
      </Card>
      <StoreEntries of={entered} one="reading" many="readings" />
      {!made.data && <BenchFields bench={bench} />}
      <InstrumentFields {...fields} problem={problem} />
      {instrument && <RatioText ratio={sourceRatio(checks, instrument)} />}
    </>
  );
}

/** Whether the source is good enough for the limits. */
function RatioText({ ratio }: { ratio: number | undefined }) {
  if (ratio === undefined || !Number.isFinite(ratio)) return null;
  const good = ratio >= MIN_RATIO;
  return (
    <Text as={good ? 'small' : 'fail'}>
      {`The instrument is ${plain(ratio, 2)} times better than the tightest limit${good ? '.' : `; ${MIN_RATIO} times is the minimum that says much.`}`}
    </Text>
  );
}
