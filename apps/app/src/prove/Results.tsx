import type { Result } from '@keypost/core/model';
import { format } from 'date-fns/format';
import { View } from 'react-native';
import { seenWords } from '../log/eventWords';
import type { OpenPoint } from '../point/usePoint';
import { Mark } from '../ui/Mark';
import { Plate, Row } from '../ui/Plate';
import { Words } from '../ui/Words';

const STATES: Record<string, string> = {
  supply: 'at the sensor',
  away: 'without target',
  present: 'with target',
};

/** What was looked at, in a few words. */
function subjectWords({ subject, check }: Result): string {
  const [first = ''] = subject.split(', ');
  return check.startsWith('inject.')
    ? subject.split(', ').slice(0, 3).join(', ')
    : `${first} ${STATES[check.split('.')[0]!] ?? ''}`;
}

/** Every stored result of a point, newest first. None is ever overwritten. */
export function Results({ point }: { point: OpenPoint }) {
  const { id } = point.analysis.context.point;
  const results = point.view.content.results.filter(({ pointId }) => pointId === id).reverse();
  return (
    <Plate title="Stored results" aside={<Words as="mono">{String(results.length)}</Words>}>
      {results.length === 0 && (
        <Row first>
          <Words as="soft">Nothing is stored yet.</Words>
        </Row>
      )}
      {results.map((result, i) => (
        <Row key={result.id} first={i === 0} className="flex-row items-center gap-3 py-2">
          <Mark kind={result.pass ? 'proven' : 'failed'} size={20} />
          <View className="min-w-0 flex-1">
            <Words as="body">{subjectWords(result)}</Words>
            <Words as="small">{`${format(new Date(result.at), 'd MMM HH:mm')} · ${result.by} · expected ${result.expected.text}`}</Words>
          </View>
          <Words as="number" className={result.pass ? '' : 'text-fail'}>
            {seenWords(result.measured, result.expected.text, result.unit)}
          </Words>
        </Row>
      ))}
    </Plate>
  );
}
