import { textOf } from '@keypost/core/messages';
import { checkName, resultWords } from '@keypost/core/proving';
import type { Result } from '@keypost/core/model';
import { format } from 'date-fns/format';
import { View } from 'react-native';
import type { OpenPoint } from '../point/usePoint';
import { Mark } from '../ui/Mark';
import { Plate, Row } from '../ui/Plate';
import { Words } from '../ui/Words';

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
        <ResultRow key={result.id} result={result} first={i === 0} />
      ))}
    </Plate>
  );
}

function ResultRow({ result, first }: { result: Result; first: boolean }) {
  const { measured, expected } = resultWords(result);
  return (
    <Row first={first} className="flex-row items-center gap-3 py-2">
      <Mark kind={result.pass ? 'proven' : 'failed'} size={20} />
      <View className="min-w-0 flex-1">
        <Words as="body">{textOf(checkName(result.check))}</Words>
        <Words as="small">{`${format(new Date(result.at), 'd MMM HH:mm')} · ${result.by} · expected ${textOf(expected)}`}</Words>
      </View>
      <Words as="number" className={result.pass ? '' : 'text-fail'}>
        {textOf(measured)}
      </Words>
    </Row>
  );
}
