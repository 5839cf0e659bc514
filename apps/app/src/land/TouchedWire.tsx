import type { JobView } from '@keypost/api';
import { WireForm } from '../job/WireForm';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';

/** The wire between two terminals that were touched, as soon as both were: the one that is there, or a new one. */
export function TouchedWire({
  view,
  ends: [from, to],
  onDone,
}: {
  view: JobView;
  ends: readonly string[];
  onDone: () => void;
}) {
  const wire = view.content.wires.find(
    (one) => (one.from === from && one.to === to) || (one.from === to && one.to === from),
  );
  return (
    <Card title={wire ? `Wire ${wire.number}` : 'New wire'}>
      <Row first>
        {from !== undefined && to !== undefined ? (
          <WireForm view={view} wire={wire} start={{ from, to }} onDone={onDone} />
        ) : (
          <Text as="soft">
            {from === undefined
              ? 'Touch the terminal or rail at which it begins.'
              : 'Now touch the one at which it ends. Two ends of a wire that is there lead it elsewhere, or take it away.'}
          </Text>
        )}
      </Row>
    </Card>
  );
}
