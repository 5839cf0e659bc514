import { textOf } from '@keypost/core/messages';
import type { JobEvent } from '@keypost/api';
import type { JobContent } from '@keypost/core/model';
import { format } from 'date-fns/format';
import { View } from 'react-native';
import { Plate, Row } from '../ui/Plate';
import { Words } from '../ui/Words';
import { eventText, whoAndWhen } from './eventText';

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
    <Plate title={title} aside={<Words as="mono">{String(events.length)}</Words>}>
      {events.length === 0 && (
        <Row first>
          <Words as="soft">Nothing was done yet.</Words>
        </Row>
      )}
      <View role="list" aria-label={title}>
        {events.map((event, i) => (
          <Row key={event.id} first={i === 0} className="py-2">
            <View role="listitem">
              <Words as="body">{textOf(eventText(event, job))}</Words>
              <Words as="small">{stampLine(event)}</Words>
            </View>
          </Row>
        ))}
      </View>
    </Plate>
  );
}

function stampLine(event: JobEvent): string {
  const { by, at } = whoAndWhen(event);
  return `${format(new Date(at), 'd MMM yyyy HH:mm:ss')} · ${by}`;
}
