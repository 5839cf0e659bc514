import { lineChecked } from '@keypost/core/tools';
import type { SingleChange } from '@keypost/core/job';
import type { ToolValues } from '@keypost/core/tools';
import { plain, written } from '@keypost/core/units';
import { v4 as uuid } from 'uuid';
import type { ChosenValue } from '@keypost/core/scaling';
import type { OpenPoint } from '../point/usePoint';
import { ToolCard } from '../tools/ToolCard';
import { Card, Row } from '../ui/Card';
import { dayAndTime } from '../ui/dates';
import { Notice } from '../ui/Notice';
import { StatusIcon } from '../ui/StatusIcon';
import { Text } from '../ui/Text';
import { ArrivesNow } from './ArrivesNow';
import { ChainSubPage } from '../chain/ChainSubPage';

/** Readings beside a tape: whether two raw numbers and two measured values lie on the stated line. */
export function LineScreen() {
  return (
    <ChainSubPage title="Readings beside a tape">
      {(point, { made: { data } }) =>
        data ? <Readings point={point} data={data} /> : <Notice>Nothing arrives here as data.</Notice>
      }
    </ChainSubPage>
  );
}

function Readings({ point, data }: { point: OpenPoint; data: ChosenValue }) {
  const { id } = point.analysis.context.point;
  const { line, limits } = data;
  const width = Math.abs((limits.high - limits.low) * line.gradient);
  const given = {
    unit: line.unit,
    gradient: plain(line.gradient, 9),
    offset: plain(line.offset, 9),
    allowed: plain(Math.max(0.01 * width, Math.abs(line.gradient)), 2),
    pairs: ';\n;',
  };
  const record = (values: ToolValues): SingleChange[] => {
    const { unit, pairs, line: stated, found, allowed, worst, pass } = lineChecked(values);
    const body = {
      kind: 'line' as const,
      unit,
      pairs: pairs.map(({ raw, measured }) => ({ raw, measured })),
      stated,
      found,
      allowed,
      worst,
      pass,
    };
    return [{ kind: 'calibrate', calibrations: [{ id: uuid(), pointId: id, body }] }];
  };
  return (
    <>
      <Text as="soft">
        Hold something before it at two places far apart. Read the raw number, and measure the same distance,
        pressure or whatever it is with a tape or gauge, from the edge that the leaflet names.
      </Text>
      <ArrivesNow point={point} data={data} />
      <ToolCard point={point} toolId="line" given={given} keep="Keep it at the point" more={record} />
      <Done point={point} />
    </>
  );
}

function Done({ point }: { point: OpenPoint }) {
  const { id } = point.analysis.context.point;
  const rows = point.view.content.calibrations.filter(({ pointId }) => pointId === id).reverse();
  const lines = rows.flatMap(({ body, ...rest }) => (body.kind === 'line' ? [{ ...rest, body }] : []));
  if (!lines.length) return null;
  return (
    <Card title="Compared before">
      {lines.map(({ id: key, body, by, at }, i) => (
        <Row key={key} first={i === 0} className="flex-row items-center gap-3">
          <StatusIcon kind={body.pass ? 'proven' : 'failed'} size={22} />
          <Text as="body" className="min-w-0 flex-1">
            {`${body.pairs.map(({ raw, measured }) => `${raw}: ${written(measured, 5)}`).join(', ')} ${body.unit}; off by ${written(body.worst, 3)}`}
          </Text>
          <Text as="small">{`${dayAndTime(at)} · ${by}`}</Text>
        </Row>
      ))}
    </Card>
  );
}
