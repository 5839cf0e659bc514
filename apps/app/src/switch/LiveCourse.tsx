import type { Signal } from '@keypost/core/switching';
import type { PointChain } from '@keypost/core/scaling';
import { withUnit } from '@keypost/core/units';
import { useEffect } from 'react';
import { FromSources } from '../chain/FromSources';
import type { ReadingSource } from '../chain/readingSources';
import { useReadings } from '../chain/useReadings';
import type { Reading } from '../chain/useReadings';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { Notice } from '../ui/Notice';
import { Text } from '../ui/Text';

/** A reading every so many seconds. */
const PERIOD = 0.5;

/** The course as it is read at this moment, from the device or from a bench source in its place. */
export function LiveCourse({
  point,
  made,
  onSignal,
}: {
  point: OpenPoint;
  made: PointChain;
  onSignal: (signal: Signal) => void;
}) {
  return (
    <>
      <FromSources point={point} made={made}>
        {(source) => <Follow source={source} unit={made.chain.sensor.unit} onSignal={onSignal} />}
      </FromSources>
      <Text as="small">
        The alarms are played here over what is read; the controller’s own are another thing. Without an
        address of its master, line or bench source nothing can be read.
      </Text>
    </>
  );
}

function Follow({
  source,
  unit,
  onSignal,
}: {
  source: ReadingSource;
  unit: string;
  onSignal: (signal: Signal) => void;
}) {
  const { rows, running, problem, start, stop } = useReadings(source, PERIOD);
  useEffect(() => {
    const signal = signalOf(rows);
    if (signal) onSignal(signal);
  }, [rows, onSignal]);
  const last = rows.at(-1)?.value;
  return (
    <>
      <Button
        label={running ? 'Stop following' : `Follow ${source.name}`}
        kind="main"
        onPress={() => (running ? stop() : start())}
      />
      {problem !== undefined ? (
        <Notice>{problem}</Notice>
      ) : (
        last !== undefined && (
          <Text as="number" role="status">
            {`${running ? 'Now' : 'Last'} ${withUnit(last, unit, 4)}`}
          </Text>
        )
      )}
    </>
  );
}

/** What was read as a course: straight from one reading to the next; where none counted there is no value. */
export function signalOf(rows: readonly Reading[]): Signal | undefined {
  const counted = rows.flatMap(({ at, value }) => (value === undefined ? [] : [{ at, value }]));
  const [first, end] = [rows[0], rows.at(-1)];
  if (counted.length < 1 || rows.length < 2 || !first || !end) return undefined;
  const own = counted[0]?.value ?? 0;
  const at = [first.at, ...counted.map((one) => one.at), end.at];
  const values = [own, ...counted.map(({ value }) => value), counted.at(-1)?.value ?? own];
  const faults = rows.flatMap(({ at: from, value }, i) =>
    value === undefined ? [{ from, to: rows[i + 1]?.at ?? from, is: 'invalid' as const }] : [],
  );
  return { at, values, faults: faults.filter(({ from, to }) => to > from) };
}
