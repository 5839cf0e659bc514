import { Loaded } from '../data/Loaded';
import { useEvents } from '../data/useEvents';
import { PointFrame, PointPage } from '../point/PointFrame';
import type { OpenPoint } from '../point/usePoint';
import { EventList } from './EventList';

/** What was done to one point. */
export function PointLogScreen() {
  return (
    <PointFrame>
      {(point) => <PointPage point={point} page="log" main={<PointLog point={point} />} />}
    </PointFrame>
  );
}

function PointLog({ point }: { point: OpenPoint }) {
  const { id, tag } = point.analysis.context.point;
  const { events, error, retry, older } = useEvents(point.view.id, id);
  return (
    <Loaded data={events} error={error} retry={retry} what="the log">
      {(list) => (
        <EventList
          events={list}
          older={older}
          isOfOnePoint
          title={`Log of ${tag}`}
          jobId={point.view.id}
          job={point.view.content}
        />
      )}
    </Loaded>
  );
}
