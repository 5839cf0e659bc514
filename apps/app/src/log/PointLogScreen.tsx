import { useEvents } from '../data/jobs';
import { Loaded } from '../data/Loaded';
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
  const events = useEvents(point.view.id, id);
  return (
    <Loaded data={events.data} error={events.error} retry={() => void events.mutate()} what="the log">
      {(list) => (
        <EventList events={list} title={`Log of ${tag}`} jobId={point.view.id} job={point.view.content} />
      )}
    </Loaded>
  );
}
