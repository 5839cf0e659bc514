import { chainOf, digitsOf, fixed, injectionChecks, JobProblem, plannedSteps } from '@keypost/core';
import type { Check, PlannedStep, PointChain, Result } from '@keypost/core';
import { View } from 'react-native';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { Caution, Notice } from '../ui/Notice';
import { Plate, Row } from '../ui/Plate';
import { Words } from '../ui/Words';
import { BenchFields } from './BenchFields';
import { useBench } from './useBench';
import { InstrumentFields, useInstrument } from './InstrumentFields';
import { CheckRow } from './ProofForm';
import { StoreEntries } from './StoreEntries';
import { useEntries } from './useEntries';

/** The injection of a point: up and down through its range and beyond, read at controller and screen. */
export function InjectionForm({ point, latest }: { point: OpenPoint; latest: ReadonlyMap<string, Result> }) {
  const made = chainOf(point.analysis);
  if (!made || 'problem' in made) return <Notice>{made?.problem ?? ''}</Notice>;
  return <Injection point={point} made={made} latest={latest} />;
}

/** The checks of a step, for what was truly injected where a source told that. */
function checksOf(
  { analysis }: OpenPoint,
  made: PointChain,
  planned: PlannedStep,
  injected: number | undefined,
): Check[] {
  try {
    return injectionChecks(analysis, made, planned, injected);
  } catch (error) {
    if (error instanceof JobProblem) return [];
    throw error;
  }
}

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
  const { instrument, fields, problem } = useInstrument('source', unit);
  const steps = plannedSteps(made).map((planned) => ({
    planned,
    checks: checksOf(point, made, planned, bench.given[planned.step.key]?.injected),
  }));
  const entered = useEntries(
    point,
    steps.flatMap((step) => step.checks),
    instrument,
  );
  return (
    <>
      <Plate title="Inject in place of the sensor" aside={<Words as="mono">{unit}</Words>}>
        <Row first className="gap-2">
          <Words as="soft">
            Take the sensor off and put the source on its wires. Go up, then down, then beyond.
          </Words>
          <Caution>
            What hangs on this value acts on what you inject. Tell the operator, and block what could start or
            trip.
          </Caution>
        </Row>
        {steps.map(({ planned, checks }) => (
          <Row key={planned.step.key} className="gap-3">
            <StepHead planned={planned} bench={bench} />
            {checks.map((check) => (
              <CheckRow
                key={check.key}
                name={check.label}
                check={check}
                entry={entered.entries[check.key]}
                last={latest.get(check.key)}
                instrument={instrument}
                onEnter={(value) => entered.enter(check.key, value)}
              />
            ))}
          </Row>
        ))}
      </Plate>
      <BenchFields bench={bench} />
      <InstrumentFields {...fields} problem={problem} />
      <StoreEntries of={entered} one="reading" many="readings" />
    </>
  );
}

/** What to inject at a step; by the source on the bench, where one answers. */
function StepHead({
  planned: { step, signal, unit },
  bench,
}: {
  planned: PlannedStep;
  bench: ReturnType<typeof useBench>;
}) {
  const given = bench.given[step.key];
  const amount = `${fixed(signal, digitsOf(unit))} ${unit}`;
  return (
    <View className="flex-row flex-wrap items-center justify-between gap-2">
      <View className="min-w-0 flex-1">
        <Words as="number">{amount}</Words>
        <Words as="small">
          {given
            ? `${step.words}; the source gives ${fixed(given.injected, digitsOf(unit) + 1)} ${unit}`
            : step.words}
        </Words>
      </View>
      {bench.link !== undefined && (
        <Button
          label={`Give ${amount}`}
          waiting={bench.waiting === step.key}
          onPress={() => void bench.give(step.key, signal)}
        />
      )}
    </View>
  );
}
