import { reconciled } from '@keypost/core/tools';
import type { SingleChange } from '@keypost/core/job';
import type { Display } from '@keypost/core/model';
import type { ToolValues } from '@keypost/core/tools';
import { v4 as uuid } from 'uuid';
import type { OpenPoint } from '../point/usePoint';
import { ToolCard } from '../tools/ToolCard';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';
import { ChainSubPage } from '../chain/ChainSubPage';
import { dayAndTime } from '../ui/dates';

/** Two displays: which span of the screen makes it agree with the sensor's own display. */
export function DisplaysScreen() {
  return (
    <ChainSubPage title="Two displays">
      {(point, { made }) => <Displays point={point} display={made.chain.display} />}
    </ChainSubPage>
  );
}

function Displays({ point, display }: { point: OpenPoint; display: Display }) {
  const { id } = point.analysis.context.point;
  const given = {
    unit: display.unit,
    low: String(display.low),
    high: String(display.high),
    step: String(10 ** -display.decimals),
    pairs: ';',
  };
  const record = (values: ToolValues): SingleChange[] => {
    const { was, becomes, remains, after, unit } = reconciled(values);
    const pairs = after.map(({ first, second }) => ({ first, second }));
    return [
      {
        kind: 'calibrate',
        calibrations: [
          { id: uuid(), pointId: id, body: { kind: 'displays', unit, pairs, was, becomes, remains } },
        ],
      },
    ];
  };
  return (
    <>
      <Text as="soft">
        {`Read the sensor’s own display and ${display.label} at the same moment, at two flows or levels far apart. With one pair the bottom is taken as right.`}
      </Text>
      <ToolCard point={point} toolId="displays" given={given} keep="It is changed so" more={record} />
      <Done point={point} />
    </>
  );
}

function Done({ point }: { point: OpenPoint }) {
  const { id } = point.analysis.context.point;
  const rows = point.view.content.calibrations
    .filter((row) => row.pointId === id && row.body.kind === 'displays')
    .reverse();
  if (!rows.length) return null;
  return (
    <Card title="Changed before">
      {rows.map(
        ({ id: key, body, by, at }, i) =>
          body.kind === 'displays' && (
            <Row key={key} first={i === 0}>
              <Text as="body">{`${body.was.low} … ${body.was.high} → ${body.becomes.low} … ${body.becomes.high} ${body.unit}`}</Text>
              <Text as="small">{`${dayAndTime(at)} · ${by} · ${body.pairs.length} ${body.pairs.length === 1 ? 'pair' : 'pairs'}`}</Text>
            </Row>
          ),
      )}
    </Card>
  );
}
