import { refusalText } from '../data/refusalText';
import { written } from '@keypost/core/units';
import type { CodeKind, CodeRequest, Execution } from '@keypost/core/scaling';
import { View } from 'react-native';
import { Button } from '../ui/Button';
import { Notice } from '../ui/Notice';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';
import { useTask } from '../workers/useTask';
import { Working } from '../chain/Working';
import { grouped } from '../chain/chainText';

/** Executes the code over every count, and says where it overflows, cuts, and errs most. */
export function ExecutionCard({ request, kind }: { request: CodeRequest; kind: CodeKind }) {
  const task = useTask('execute');
  const all = request.raw.max - request.raw.min + 1;
  return (
    <Card title="Executed over every count">
      <Row first className="gap-3">
        {task.busy ? (
          <Working count={task.count} all={all} onStop={task.cancel} />
        ) : (
          <Button
            label={`Execute ${grouped(all)} counts`}
            kind="main"
            onPress={() => task.start({ request, kind })}
          />
        )}
        {task.error && <Notice>{refusalText(task.error)}</Notice>}
        {task.answer && <Outcome found={task.answer} unit={request.value.unit} />}
      </Row>
    </Card>
  );
}

function Outcome({
  found: { overflow, worst, worstOverflowed, cut, runs },
  unit,
}: {
  found: Execution;
  unit: string;
}) {
  const error = (e: number): string => `${written(e, 3)}\u00a0${unit}`;
  return (
    <View className="gap-2" role="status" aria-label="What the code does">
      {overflow ? (
        <View className="gap-1 rounded-plate border-fine border-fail bg-failwash p-3">
          <Text
            as="strong"
            className="text-fail"
          >{`Overflows at ${grouped(overflow.count)} of ${grouped(runs)} counts`}</Text>
          <Text as="body">
            {`First at ${grouped(overflow.first)}: the ${overflow.reason.where} would be ${grouped(overflow.reason.exact)}, which ${overflow.reason.type} cannot hold. Last at ${grouped(overflow.last)}.`}
          </Text>
          {worstOverflowed && (
            <Text as="body">{`There it is wrong by up to ${error(worstOverflowed.error)}, at ${grouped(worstOverflowed.at)}.`}</Text>
          )}
        </View>
      ) : (
        <Text as="strong" className="text-pass">{`No overflow at any of ${grouped(runs)} counts`}</Text>
      )}
      <Text as="body">{`Worst error without overflow: ${error(worst.error)}, at ${grouped(worst.at)}.`}</Text>
      <Text as="body">
        {cut > 0
          ? `${written(cut * 100, 3)} % of the results in the range are cut off instead of rounded.`
          : 'Every result in the range is rounded to the nearest.'}
      </Text>
    </View>
  );
}
