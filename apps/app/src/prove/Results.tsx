import { textOf } from '@keypost/core/messages';
import { checkName, resultValues } from '@keypost/core/proving';
import type { Result } from '@keypost/core/model';
import { View } from 'react-native';
import { AddPhoto, PhotoMarks } from '../photo/PhotoMarks';
import type { JobView } from '@keypost/api';
import type { OpenPoint } from '../point/usePoint';
import { StatusIcon } from '../ui/StatusIcon';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';
import { dayAndTime } from '../ui/dates';

/** Every stored result of a point, newest first. None is ever overwritten. */
export function Results({ point }: { point: OpenPoint }) {
  const { id } = point.analysis.context.point;
  const results = point.view.content.results.filter(({ pointId }) => pointId === id).reverse();
  return (
    <Card title="Stored results" aside={<Text as="mono">{String(results.length)}</Text>}>
      {results.length === 0 && (
        <Row first>
          <Text as="soft">Nothing is stored yet.</Text>
        </Row>
      )}
      {results.map((result, i) => (
        <ResultRow key={result.id} view={point.view} result={result} first={i === 0} />
      ))}
    </Card>
  );
}

function ResultRow({ view, result, first }: { view: JobView; result: Result; first: boolean }) {
  const { measured, expected } = resultValues(result);
  const photographed = {
    view,
    subject: { kind: 'result', pointId: result.pointId, resultId: result.id },
    name: textOf(checkName(result.check)),
  } as const;
  return (
    <Row first={first} className="flex-row items-center gap-3 py-2">
      <StatusIcon kind={result.pass ? 'proven' : 'failed'} size={20} />
      <View className="min-w-0 flex-1">
        <Text as="body">{textOf(checkName(result.check))}</Text>
        <Text as="small">{`${dayAndTime(result.at)} · ${result.by} · expected ${textOf(expected)}`}</Text>
        <PhotoMarks {...photographed} />
      </View>
      <Text as="number" className={result.pass ? '' : 'text-fail'}>
        {textOf(measured)}
      </Text>
      <View className="-ml-2 -mr-3">
        <AddPhoto {...photographed} />
      </View>
    </Row>
  );
}
