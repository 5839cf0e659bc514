import { textOf } from '@keypost/core/messages';
import type { JobEvent } from '@keypost/api';
import type { JobContent } from '@keypost/core/model';
import { View } from 'react-native';
import { Card, Row } from '../ui/Card';
import { LongList } from '../ui/LongList';
import { Text } from '../ui/Text';
import { eventText, whoAndWhen } from './eventText';
import { dateToTheSecond } from '../ui/dates';

/** What was done, newest first. */
export function EventList({
  events,
  title,
  job,
}: {
  events: readonly JobEvent[];
  title: string;
  /** The job as it is now, for the names of what was set. */
  job?: JobContent;
}) {
  return (
    <Card title={title} aside={<Text as="mono">{String(events.length)}</Text>}>
      {events.length === 0 && (
        <Row first>
          <Text as="soft">Nothing was done yet.</Text>
        </Row>
      )}
      <LongList
        label={title}
        items={events}
        keyOf={({ id }) => String(id)}
        height={62}
        row={(event, first) => (
          <Row first={first} className="py-2">
            <View role="listitem">
              <Text as="body">{textOf(eventText(event, job))}</Text>
              <Text as="small">{stampLine(event)}</Text>
            </View>
          </Row>
        )}
      />
    </Card>
  );
}

function stampLine(event: JobEvent): string {
  const { by, at } = whoAndWhen(event);
  return `${dateToTheSecond(at)} · ${by}`;
}
